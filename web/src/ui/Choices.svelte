<script lang="ts" generics="V extends string | number | boolean">
  import { RadioGroup } from 'bits-ui';

  /** One of several, chosen by a click or by the arrows. */
  interface Props {
    label: string;
    options: readonly (readonly [value: V, name: string])[];
    /** None of them where it is none of their values. */
    value: V | undefined;
    choose: (value: V) => void;
  }
  let { label, options, value, choose }: Props = $props();
</script>

<RadioGroup.Root
  class="flex flex-wrap gap-1"
  aria-label={label}
  value={value === undefined ? '' : String(value)}
  onValueChange={(chosen) => {
    const option = options.find(([one]) => String(one) === chosen);
    if (option && option[0] !== value) choose(option[0]);
  }}
>
  {#each options as [one, name] (one)}
    <RadioGroup.Item
      value={String(one)}
      class="h-7 rounded-inner border px-3 whitespace-nowrap pointer-coarse:h-10 {one === value
        ? 'border-saffron bg-held'
        : 'border-line bg-sheet hover:bg-shelf'}">{name}</RadioGroup.Item
    >
  {/each}
</RadioGroup.Root>
