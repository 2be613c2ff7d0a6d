import { expect, it } from 'vitest';
import { Latest } from './latest';

it('answers the newest question alone', async () => {
  const asking = new Latest();
  const answers: ((answer: string) => void)[] = [];
  const question = (signal: AbortSignal) =>
    new Promise<string>((resolve, reject) => {
      answers.push(resolve);
      signal.addEventListener('abort', () => reject(new Error('given up')));
    });
  const older = asking.ask(question);
  const newer = asking.ask(question);
  answers[1]?.('here');
  expect(await older).toBeUndefined();
  expect(await newer).toBe('here');
});

it('hands on what goes wrong while the answer is wanted', async () => {
  await expect(new Latest().ask(() => Promise.reject(new Error('broken')))).rejects.toThrow(
    'broken',
  );
});
