import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keepPresses } from './press';

describe('a press', () => {
  let button: HTMLButtonElement;
  let under: Element;
  const pressed = vi.fn();

  function pointer(type: string, on: Element, y: number) {
    const event = new MouseEvent(type, { bubbles: true, clientX: 10, clientY: y, button: 0 });
    Object.defineProperty(event, 'isPrimary', { value: true });
    on.dispatchEvent(event);
  }

  beforeEach(() => {
    const page = document.implementation.createHTMLDocument();
    page.body.innerHTML = '<p>said</p><button>Keep</button>';
    button = page.querySelector('button')!;
    under = button;
    page.elementFromPoint = () => under;
    pressed.mockReset();
    button.addEventListener('click', pressed);
    keepPresses(page);
  });

  it('counts for its button when the page moved meanwhile', () => {
    pointer('pointerdown', button, 20);
    under = button.previousElementSibling!;
    pointer('pointerup', under, 20);
    expect(pressed).toHaveBeenCalledOnce();
  });

  it('is left to the browser where nothing moved', () => {
    pointer('pointerdown', button, 20);
    pointer('pointerup', button, 20);
    expect(pressed).not.toHaveBeenCalled();
  });

  it('that was dragged away counts for nothing', () => {
    pointer('pointerdown', button, 20);
    under = button.previousElementSibling!;
    pointer('pointerup', under, 60);
    expect(pressed).not.toHaveBeenCalled();
  });
});
