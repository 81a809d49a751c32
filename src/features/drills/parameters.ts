import { z } from 'zod';
import type { Family } from '@/core/drill/family';

/** A parameter of a family as a form shows it, read from the family's own shape. */
export type Parameter = { name: string; label: string; usual: unknown } & (
  | { kind: 'one of'; options: readonly (string | number)[] }
  | { kind: 'some of'; options: readonly (string | number)[] }
  | { kind: 'number'; least: number; most: number }
  | { kind: 'switch' }
  | { kind: 'text' }
  /** Several phrases, a line each. */
  | { kind: 'lines'; example?: string }
);

/** Whether a drill of this family can be made of a groove. */
export const takesGroove = (family: Family): boolean => 'figure' in (family.shape as unknown as z.ZodObject).shape;

/** The parameters a form can show. A groove a drill is made of is chosen elsewhere. */
export function parametersOf(family: Family): Parameter[] {
  const { shape } = family.shape as unknown as z.ZodObject;
  return Object.entries(shape).flatMap(([name, field]): Parameter[] => {
    if (!(field instanceof z.ZodDefault)) return [];
    const about = { name, label: field.description ?? name, usual: z.parse(field, undefined) };
    const inner = field.unwrap();
    if (inner instanceof z.ZodEnum) return [{ ...about, kind: 'one of', options: inner.options }];
    if (inner instanceof z.ZodBoolean) return [{ ...about, kind: 'switch' }];
    if (inner instanceof z.ZodString) return [{ ...about, kind: 'text' }];
    if (inner instanceof z.ZodNumber)
      return [{ ...about, kind: 'number', least: inner.minValue ?? 1, most: inner.maxValue ?? 100 }];
    if (inner instanceof z.ZodArray) {
      const { element } = inner;
      if (element instanceof z.ZodString) {
        const [label, example] = about.label.split(': ');
        return [{ ...about, label: label!, kind: 'lines', example }];
      }
      if (element instanceof z.ZodEnum) return [{ ...about, kind: 'some of', options: element.options }];
      if (element instanceof z.ZodUnion)
        return [
          { ...about, kind: 'some of', options: element.options.map((one) => (one as z.ZodLiteral).value as number) },
        ];
    }
    return [];
  });
}
