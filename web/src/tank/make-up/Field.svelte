<script lang="ts">
  import { fromShown, labelOf, toShown, type QuantityName } from '../../lib/units.svelte';
  import Select from '../../ui/Select.svelte';

  /** One value of the make-up: a number in the keeper's unit, a word, a day, or a choice. */
  let {
    name,
    value,
    choices,
    marked = false,
    onchange,
  }: {
    /** Key of the tank file; its ending tells the unit. */
    name: string;
    value: string | number | boolean | null | undefined;
    choices?: string[];
    /** Whether it is a default that nobody has looked at. */
    marked?: boolean;
    onchange: (value: string | number | boolean | undefined) => void;
  } = $props();

  const uid = $props.id();
  const UNITS: [RegExp, string, QuantityName | ''][] = [
    [/^nitrateMgL$/, 'mg/L NO3', 'nitrate'],
    [/^phosphateMgL$/, 'mg/L PO4', 'phosphate'],
    [/MgPPerG$/, 'mg P/g', ''],
    [/MgPerMl$/, 'mg/mL', ''],
    [/MgL$/, 'mg/L', ''],
    [/LitresPerDay$|^litresPerDay$/, 'L/day', 'volume'],
    [/VolumeL$|^mediaL$/, 'L', 'volume'],
    [/FlowLPerHour$|^flowLPerHour$/, 'L/h', 'volume'],
    [/[tT]emperatureC$/, '°C', 'temperature'],
    [/Dkh$/, 'dKH', 'alkalinity'],
    [/Ppt$/, 'ppt', 'salinity'],
    [/AreaCm2$/i, 'cm²', ''],
    [/Cm$/, 'cm', ''],
    [/PercentDry$/, '% of dry', ''],
    [/Percent$/, '%', ''],
    [/massKg$/i, 'kg', ''],
    [/MassG$|^massG$|ServingG$|^servingG$/, 'g', ''],
    [/^gramsPerFeed$/, 'g', ''],
    [/mlPerD(ose|ay)$/, 'mL', ''],
    [/PerWeek$/, 'a week', ''],
    [/Days$/, 'days', ''],
    [/PerDay$/, 'a day, 0 to 1', ''],
    [/Fraction$|^share$/, '0 to 1', ''],
  ];
  let found = $derived(UNITS.find(([pattern]) => pattern.test(name)));
  let quantity = $derived(found?.[2] ?? '');
  let unit = $derived(
    quantity
      ? labelOf(quantity) +
          ((found?.[1] ?? '').endsWith('/day')
            ? '/day'
            : (found?.[1] ?? '').endsWith('/h')
              ? '/h'
              : '')
      : (found?.[1] ?? ''),
  );
  let label = $derived(
    name
      .replace(
        /(MgPPerG|MgPerMl|MgL|LPerHour|Cm2|Cm|Dkh|Ppt|PercentDry|Percent|Kg|MassG|ServingG|TemperatureC|VolumeL)$/,
        (end) =>
          ({ MassG: 'Mass', ServingG: 'Serving', TemperatureC: 'Temperature', VolumeL: 'Volume' })[
            end
          ] ?? '',
      )
      .replace(/^temperatureC$/, 'temperature')
      .replace(/^massG$/, 'mass')
      .replace(/^servingG$/, 'serving')
      .replace(/([a-z])([A-Z])/g, '$1 $2')
      .toLowerCase()
      .replace(/^p h$/, 'pH') || name,
  );
  const NUMBERS =
    /Days$|PerWeek$|PerFeed$|PerDay$|Fraction$|^share$|^count$|^pH$|^min$|^max$|^resolution$|Error$/;
  let numeric = $derived(typeof value === 'number' || found !== undefined || NUMBERS.test(name));
  let shown = $derived(
    typeof value === 'number' && quantity
      ? Number(toShown(quantity, value).toPrecision(5))
      : (value ?? ''),
  );

  function typed(text: string) {
    if (!numeric) {
      onchange(text === '' ? undefined : text);
      return;
    }
    const number = Number(text.replace(',', '.'));
    if (text.trim() === '') onchange(undefined);
    else if (Number.isFinite(number)) onchange(quantity ? fromShown(quantity, number) : number);
    else onchange(text);
  }
</script>

<div class="flex min-h-11 items-center gap-2 sm:min-h-8">
  <label for={uid} class="text-neutral w-40 shrink-0">{label}</label>
  {#if typeof value === 'boolean'}
    <input
      id={uid}
      type="checkbox"
      checked={value}
      onchange={(event) => onchange(event.currentTarget.checked)}
    />
  {:else if choices}
    <Select
      id={uid}
      dense
      class="min-w-0"
      onchange={(event) => onchange(event.currentTarget.value)}
    >
      {#each choices as choice (choice)}
        <option value={choice} selected={choice === value}>{choice}</option>
      {/each}
    </Select>
  {:else}
    <input
      id={uid}
      class="border-base-content/50 h-11 border-b bg-transparent px-1 tabular-nums sm:h-8 {numeric
        ? 'w-24 text-right'
        : 'min-w-0 flex-1'}"
      inputmode={numeric ? 'decimal' : 'text'}
      type={name === 'from' || name === 'to' || name === 'startedOn' || name === 'nextOn'
        ? 'date'
        : 'text'}
      value={shown}
      onchange={(event) => typed(event.currentTarget.value)}
      data-field={name}
    />
    <span class="text-neutral text-xs">{unit}</span>
  {/if}
  {#if marked}<span class="text-neutral text-xs italic">assumed</span>{/if}
</div>
