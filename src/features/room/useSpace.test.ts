// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { useEffect, useState } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { FIRST_EARS } from '@/core/documents/ears';
import type { Limb } from '@/core/groove/limbs';
import type { Strike } from '@/sound/inputs/input';
import { useInputs } from '@/sound/inputs/useInputs';
import { DEFAULT_KEYS } from '@/ui/pads/keys';
import { useSpace } from './useSpace';

const limbs: Limb[] = ['right hand', 'right foot'];

describe('the room’s keys', () => {
  const begun = (change: Partial<Parameters<typeof useInputs>[0]> = {}) => {
    const [onToggle, onStrike] = [vi.fn(), vi.fn()];
    const said = { who: () => undefined, onSay: vi.fn() };
    const all = { keys: DEFAULT_KEYS, limbs, ears: FIRST_EARS, isOn: true, ...said, ...change };
    renderHook(() => {
      useSpace(onToggle);
      useInputs({ ...all, onStrike });
    });
    const struck = () => onStrike.mock.calls.map(([strike]) => (strike as Strike).limb);
    return { onToggle, struck };
  };
  const press = (code: string, on: EventTarget = document.body, more: KeyboardEventInit = {}) =>
    on.dispatchEvent(
      new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true, key: code.slice(-1), ...more }),
    );
  const add = (tag: 'input' | 'button', change: { type?: string; inputMode?: string } = {}) =>
    document.body.appendChild(Object.assign(document.createElement(tag), change));

  test('Space starts and stops once however long it is held; a limb’s key strikes it', () => {
    const { onToggle, struck } = begun();
    press('Space');
    press('Space', document.body, { repeat: true });
    expect(onToggle).toHaveBeenCalledOnce();
    press('KeyJ');
    press('KeyJ', document.body, { repeat: true });
    press('KeyL');
    // The left hand has nothing to play here, and with Ctrl the key is the browser's.
    press('KeyF');
    press('KeyJ', document.body, { ctrlKey: true });
    expect(struck()).toEqual(['right hand', 'right foot']);
  });

  test('in a field of words keys are typed; a button that was reached by Tab has its own Space, one that was clicked has not', () => {
    const { onToggle, struck } = begun();
    const [field, button] = [add('input'), add('button')];
    press('Space', field);
    press('KeyJ', field);
    expect([onToggle.mock.calls, struck()]).toEqual([[], []]);
    press('Tab');
    press('Space', button);
    expect(onToggle).not.toHaveBeenCalled();
    window.dispatchEvent(new Event('pointerdown'));
    press('Space', button);
    expect(onToggle).toHaveBeenCalledOnce();
  });

  test('after a tempo was typed or the level moved, Space and the limbs’ keys play on; figures are typed', () => {
    const { onToggle, struck } = begun({ keys: { ...DEFAULT_KEYS, 'right foot': { code: 'Digit1' } } });
    const [tempo, level] = [add('input', { inputMode: 'decimal' }), add('input', { type: 'range' })];
    for (const field of [tempo, level]) {
      press('Space', field);
      press('KeyJ', field);
    }
    expect(onToggle).toHaveBeenCalledTimes(2);
    press('Digit1', tempo);
    expect(struck()).toEqual(['right hand', 'right hand']);
    press('Digit1', level);
    expect(struck()).toHaveLength(3);
  });

  test('what was typed holds for what Space starts, and the field keeps the focus', () => {
    const played: string[] = [];
    const tempo = add('input', { inputMode: 'decimal' }) as HTMLInputElement;
    renderHook(() => {
      const [bpm, setBpm] = useState('80');
      useEffect(() => {
        const onBlur = () => setBpm(tempo.value);
        tempo.addEventListener('blur', onBlur);
        return () => tempo.removeEventListener('blur', onBlur);
      }, []);
      useSpace(() => void played.push(bpm));
    });
    tempo.focus();
    tempo.value = '84';
    act(() => void press('Space', tempo));
    expect(played).toEqual(['84']);
    expect(document.activeElement).toBe(tempo);
  });

  test('while nothing listens, or not the keys, a limb’s key does nothing', () => {
    expect(begun({ isOn: false }).struck()).toEqual([]);
    const { struck } = begun({ ears: { ...FIRST_EARS, listens: ['pads'] } });
    press('KeyJ');
    expect(struck()).toEqual([]);
  });
});
