import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/fraunces/soft.css';
import { mount } from 'svelte';
import App from './App.svelte';
import { compile } from './core/module';
import { pause } from './core/pause';
import './theme.css';

compile().catch(() => undefined); // whoever needs it hears of the failure

const target = document.getElementById('app');
void pause().then(() => target && mount(App, { target }));
