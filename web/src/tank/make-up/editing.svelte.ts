import { getContext, setContext } from 'svelte';
import type { Problem } from '../../api/client';
import { ownDay } from '../../lib/words';
import {
  at,
  fresh,
  list,
  ofKind,
  ofSource,
  pointer,
  put,
  type Entry,
  type ListName,
  type Path,
  type Value,
} from './file';
import { blank, complaint } from './words';

const KEY = Symbol('make-up');

/** A make-up while it is changed: what is kept, what it would be, and what stands against it. */
export class Editing {
  file = $state.raw<Entry>({});
  problem = $state.raw<Problem | null>(null);
  private kept = $state.raw<Entry>({});
  private usual = $state.raw<Set<string>>(new Set());
  readonly today = ownDay(new Date().toISOString());

  constructor(private readonly changed: () => void) {}

  /** Begins with what is kept. */
  begin(text: string, assumed: string[]): void {
    this.kept = JSON.parse(text) as Entry;
    this.file = this.kept;
    this.usual = new Set(assumed);
    this.problem = null;
  }

  get isChanged(): boolean {
    return JSON.stringify(this.file) !== JSON.stringify(this.kept);
  }

  at(path: Path): Value {
    return at(this.file, path);
  }

  /** What is kept at a path, where it is another; nothing for an entry of a list that grew or shrank. */
  was(path: Path): { value: Value } | undefined {
    if (this.moved(path)) return undefined;
    const before = at(this.kept, path);
    return JSON.stringify(before ?? null) === JSON.stringify(this.at(path) ?? null)
      ? undefined
      : { value: before };
  }

  /** Whether the entry may stand at another place than where it is kept. */
  private moved([section, index]: Path): boolean {
    const key = String(section);
    return typeof index === 'number' && list(this.kept, key).length !== list(this.file, key).length;
  }

  /** Whether it is the usual value, that nobody has said. */
  assumed(path: Path): boolean {
    return !this.moved(path) && this.usual.has(pointer(path)) && this.was(path) === undefined;
  }

  /** Whether one of the paths was changed or is complained of. */
  touches(paths: Path[]): boolean {
    return paths.some((path) => this.was(path) !== undefined || this.problemAt(path) !== '');
  }

  problemAt(path: Path): string {
    const here = pointer(path);
    const found = this.problem?.fields?.find((one) => one.field === here);
    return found ? complaint(blank(this.file, path), found.found, found.allowed) : '';
  }

  /** What stands against an entry as a whole. */
  problemsOf(key: ListName, index: number): string[] {
    const here = pointer([key, index]);
    return (this.problem?.fields ?? [])
      .filter((one) => one.field === here)
      .map((one) => `This can’t be ${one.found}; allowed is ${one.allowed}.`);
  }

  /** What stands against a whole list or part of the file, where no blank can be marked. */
  get problemsAtLarge(): string[] {
    return (this.problem?.fields ?? [])
      .filter((one) => one.field.split('/').length <= 2)
      .map((one) => `Found ${one.found}; allowed is ${one.allowed}.`);
  }

  set(path: Path, value: Value): void {
    const entry = path.slice(0, -1);
    if (path[0] === 'exports' && path.at(-1) === 'kind')
      this.edit(put(this.file, entry, ofKind(this.at(entry) as Entry, value as never)));
    else if (path[0] === 'exports' && path.at(-1) === 'source')
      this.edit(put(this.file, entry, ofSource(this.at(entry) as Entry, String(value))));
    else this.edit(put(this.file, path, value));
  }

  add(key: ListName): void {
    this.edit({
      ...this.file,
      [key]: [...list(this.file, key), fresh(this.file, key, this.today)],
    });
  }

  remove(key: ListName, index: number): void {
    this.edit({ ...this.file, [key]: list(this.file, key).filter((_, i) => i !== index) });
  }

  edit(next: Entry): void {
    this.file = next;
    this.changed();
  }
}

export const provideEditing = (editing: Editing): Editing => setContext(KEY, editing);
export const getEditing = (): Editing => getContext<Editing>(KEY);
