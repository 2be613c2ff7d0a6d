<script lang="ts">
  import { numberOf } from '../../lib/numbers';
  import { readDay, shownDay } from '../../lib/days';
  import { fromShown, toShown } from '../../lib/units.svelte';
  import type { Value } from './file';
  import { unitOf, type Blank } from './words';

  /** A value that stands in a sentence and is changed where it stands. */
  let {
    blank,
    name,
    value,
    was,
    assumed = false,
    problem = '',
    today,
    onchange,
  }: {
    blank: Blank;
    /** Key of the tank file. */
    name: string;
    value: Value;
    /** What is kept, where it was changed. */
    was?: { value: Value };
    /** Whether it is the usual value, that nobody has said. */
    assumed?: boolean;
    problem?: string;
    today: string;
    onchange: (value: Value) => void;
  } = $props();

  /** Digits that a shown number needs at most. */
  const DIGITS = 4;
  let unit = $derived(unitOf(blank));
  let unsaid = $derived(value === undefined || value === null || value === '');
  let text = $derived(shown(value));

  function shown(of: Value): string {
    if (of === undefined || of === null) return '';
    if (typeof of === 'number') {
      if (blank.kind === 'share') return String(Number((of * 100).toPrecision(DIGITS)));
      return String(
        Number((blank.quantity ? toShown(blank.quantity, of) : of).toPrecision(DIGITS)),
      );
    }
    if (Array.isArray(of)) return of.join(', ');
    if (blank.kind === 'day' && /^\d{4}-\d\d-\d\d$/.test(String(of))) return shownDay(String(of));
    return String(of);
  }

  function said(of: Value): string {
    if (blank.kind === 'choice')
      return blank.choices?.[String(of)] ?? (of ? String(of) : 'nothing');
    return shown(of) || 'nothing';
  }

  function typed(written: string) {
    const trimmed = written.trim();
    if (trimmed === text) return;
    if (trimmed === '') onchange(blank.none ? null : undefined);
    else if (blank.kind === 'day') onchange(readDay(trimmed, today) ?? trimmed);
    else if (blank.kind === 'steps')
      onchange(
        trimmed
          .split(/[\s;]+|,\s+/)
          .filter(Boolean)
          .map((step) => numberOf(step) ?? step),
      );
    else if (blank.kind === 'text') onchange(trimmed);
    else {
      const number = numberOf(trimmed.replace(/%$/, ''));
      if (number === undefined) onchange(trimmed);
      else if (blank.kind === 'share') onchange(Number((number / 100).toPrecision(8)));
      else onchange(blank.quantity ? fromShown(blank.quantity, number) : number);
    }
  }

  const uid = $props.id();
  let look = $derived([
    'blank h-11 px-0.5 sm:h-[1.7em]',
    unsaid || assumed ? 'unsaid font-normal' : 'font-semibold',
    was && 'outline-accent outline-1',
    problem && 'wrong text-error',
  ]);
</script>

{#if was}<s class="text-neutral font-normal">{said(was.value)}</s>{' '}{/if}<span
  class={unit && 'whitespace-nowrap'}
  >{#if blank.kind === 'choice'}<select
      class={[look, 'cursor-pointer appearance-none']}
      aria-label={blank.label}
      aria-invalid={problem ? true : undefined}
      aria-describedby={problem ? `${uid}-problem` : undefined}
      data-field={name}
      value={unsaid ? '' : String(value)}
      onchange={(event) => onchange(event.currentTarget.value || undefined)}
      >{#if unsaid || blank.empty}<option value="">{blank.empty ?? 'not said'}</option
        >{/if}{#each Object.entries(blank.choices ?? {}) as [key, words] (key)}<option value={key}
          >{words}</option
        >{/each}</select
    >{:else if blank.kind === 'flag'}<button
      type="button"
      class={[look, 'cursor-pointer']}
      aria-pressed={value === true}
      data-field={name}
      onclick={() => onchange(value !== true)}
      >{value === true ? 'It is' : 'It isn’t'} {blank.label}</button
    >.{:else}<input
      class={look}
      type="text"
      inputmode={blank.kind === 'number' || blank.kind === 'share' ? 'decimal' : 'text'}
      aria-label={unit ? `${blank.label}, ${unit}` : blank.label}
      aria-invalid={problem ? true : undefined}
      aria-describedby={problem ? `${uid}-problem` : undefined}
      placeholder={blank.empty ?? ''}
      style="--characters: {(text || blank.empty || '').length + 1}"
      value={text}
      autocomplete="off"
      spellcheck="false"
      data-field={name}
      onfocus={(event) => event.currentTarget.select()}
      onchange={(event) => typed(event.currentTarget.value)}
      onkeydown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
    />{#if unit && !(unsaid && blank.empty)}&nbsp;{unit}{/if}{/if}</span
>{#if problem}<span
    id="{uid}-problem"
    class="text-error block font-sans text-sm leading-6"
    role="alert">{problem}</span
  >{/if}

<style>
  .blank {
    --line: var(--color-primary);
    max-width: 100%;
    width: calc(var(--characters, 12) * 0.62em);
    background: linear-gradient(var(--line), var(--line)) 0 calc(50% + 0.72em) / 100% 2px no-repeat;
  }
  .blank.unsaid {
    --line: var(--color-accent);
    background: repeating-linear-gradient(90deg, var(--line) 0 2px, transparent 2px 5px) 0
      calc(50% + 0.72em) / 100% 2px no-repeat;
  }
  .blank.wrong {
    --line: var(--color-error);
  }
  .blank::placeholder {
    color: var(--color-neutral);
    opacity: 1;
  }
  @supports (field-sizing: content) {
    .blank {
      width: auto;
      min-width: 1em;
      field-sizing: content;
    }
  }
</style>
