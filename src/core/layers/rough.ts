import { z } from 'zod';
import { defineLayer, lengthSchema, number } from './layer';

const KINDS = { wobble: 'wobbly', waves: 'waves', scallops: 'scallops', deckled: 'deckled', torn: 'torn' } as const;

/** An edge that is not quite where its outline is: as if drawn by hand, cut in waves, or torn. */
export const rough = defineLayer({
  schema: z.strictObject({
    kind: z.enum(['wobble', 'waves', 'scallops', 'deckled', 'torn']).default('wobble'),
    /** How far from the outline it goes at most, to either side; no further than a wave is long. */
    amount: lengthSchema.default(6),
    /** How long a wave of it is. */
    size: z.number().gt(0).max(100_000).default(60),
    seed: z.int().min(0).max(9999).default(1),
  }),
  lengths: ['amount', 'size'],
  title: () => 'Rough edge',
  words: ({ kind, amount }, unit) => `${KINDS[kind]}, ${number(amount)} ${unit}`,
  controls: {
    kind: { label: 'As', as: 'select', options: KINDS },
    amount: { label: 'By', as: 'length', slider: [0, 0.3] },
    size: { label: 'Waves of', as: 'length', slider: [0.02, 2] },
    seed: { label: 'Seed', as: 'seed' },
  },
});

type Rough = z.infer<typeof rough.schema>;

/** Of a band: which of its edges. */
export const bandRough = defineLayer({
  ...rough,
  schema: rough.schema.extend({ rim: z.enum(['outer', 'inner', 'both']).default('outer') }).strict(),
  lengths: rough.lengths,
  words: ({ kind, amount }, unit) => rough.words({ kind, amount } as Rough, unit),
  controls: {
    rim: { label: 'Edge', as: 'choice', options: { outer: 'outer', inner: 'inner', both: 'both' } },
    ...rough.controls,
  },
});
