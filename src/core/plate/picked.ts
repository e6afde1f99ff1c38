/** Colours that a template takes from each photo. */
import { parseColour, type Picked } from '../paint';
import type { Sight } from '../sight';
import type { PickedColours } from './photo-finish';

/** What stands for a colour of a photo that could not be looked at: a middle grey. */
const UNKNOWN = '#808080';

const colourOf = ({ from, tone }: Picked, sight: Pick<Sight, 'palette'> | null | undefined): string =>
  sight?.palette?.[from][tone] ?? UNKNOWN;

/** Straight r, g, b, 0…1, for each of a plate's picks. */
export const coloursFor = (picks: readonly Picked[], sight: Pick<Sight, 'palette'> | null | undefined): PickedColours =>
  picks.map((pick) => {
    const { r, g, b } = parseColour(colourOf(pick, sight));
    return [r, g, b];
  });
