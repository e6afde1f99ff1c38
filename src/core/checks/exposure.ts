import { defineCheck, lightestFor, percent, type CheckInput } from './check';

/** By how much its lightest parts are darker, and all of it lighter, than the batch's median, 0…1. */
function offBy({ photo: { sight }, batch }: CheckInput): { readonly dark: number; readonly bright: number } | null {
  if (!sight || batch.brightness === null || batch.lightest === null) return null;
  return { dark: batch.lightest - lightestFor(sight), bright: sight.brightness - batch.brightness };
}

/**
 * A photo that lacks light has no light parts, while a dark thing or table in good light has some; one with too much
 * is light all over, while nearly all have some white.
 */
export const exposure = defineCheck({
  id: 'exposure',
  label: 'Too dark or too bright',
  about: 'photo',
  compares: true,
  measure: (input) => {
    const off = offBy(input);
    return off && Math.max(off.dark, off.bright);
  },
  limit: ({ template }) => template.limits.brightness,
  brief: (off, input) => (offBy(input)!.dark === off ? 'dark' : 'bright'),
  explain: (off, input) => {
    const { photo, template } = input;
    const limit = `the batch’s median, the limit is ${percent(template.limits.brightness)}`;
    return offBy(input)!.dark === off
      ? `its lightest parts, at ${percent(lightestFor(photo.sight!))}, are ${percent(off, template.limits.brightness)} below ${limit}`
      : `its brightness of ${percent(photo.sight!.brightness)} is ${percent(off, template.limits.brightness)} above ${limit}`;
  },
  mend: () => 'correct the photo, or leave it out',
});
