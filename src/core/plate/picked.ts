/** Colours that a template takes from each photo. */
import { parseColour, type Picked } from '../paint';
import type { Sight } from '../sight';
import type { PickedColours } from './photo-finish';

/** What stands for a colour of a photo that could not be looked at: a middle grey. */
const UNKNOWN = '#808080';

/** A colour taken from a photo; null where it could not be looked at. */
export const pickedColour = ({ from, tone }: Picked, sight: Pick<Sight, 'palette'> | null | undefined): string | null =>
  sight?.palette?.[from][tone] ?? null;

/** Straight r, g, b, 0…1, for each of a plate's picks. */
export const coloursFor = (picks: readonly Picked[], sight: Pick<Sight, 'palette'> | null | undefined): PickedColours =>
  picks.map((pick) => {
    const { r, g, b } = parseColour(pickedColour(pick, sight) ?? UNKNOWN);
    return [r, g, b];
  });
