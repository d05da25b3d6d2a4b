/** Light or dark: as the system says until it is switched by hand. */
class Theme {
  dark = $state(false);
  private chosen: string | null = null;

  constructor() {
    const system = matchMedia('(prefers-color-scheme: dark)');
    this.chosen = localStorage.getItem('azzel-theme');
    const follow = (): void => this.set(this.chosen ? this.chosen === 'dark' : system.matches);
    system.addEventListener('change', follow);
    follow();
  }

  private set(dark: boolean): void {
    this.dark = dark;
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
  }

  toggle(): void {
    this.chosen = this.dark ? 'light' : 'dark';
    localStorage.setItem('azzel-theme', this.chosen);
    this.set(!this.dark);
  }
}

export const theme = new Theme();
