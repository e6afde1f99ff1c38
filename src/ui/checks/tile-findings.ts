/** Findings by tile: of a group all that there is about its photos. */
import type { Template } from '@/core/template';
import { membersOf, type BenchPhoto } from '../photos/in-slots';
import type { PhotoFindings } from './photo-findings';

/** The findings of each tile's photos put together, each told of its slot. */
export function findingsByTile(
  findings: PhotoFindings,
  tiles: readonly BenchPhoto[],
  template: Template,
): PhotoFindings {
  if (!tiles.some(({ group }) => group)) return findings;
  const byPhoto = new Map(findings.byPhoto);
  for (const tile of tiles) {
    if (!tile.group) continue;
    const all = membersOf(tile).flatMap((id) => {
      const slot = tile.group!.seats.findIndex((seat) => seat?.id === id && !seat.standsIn);
      const name = template.slots[slot]?.name;
      return (findings.byPhoto.get(id) ?? []).map((finding) =>
        finding.check === 'unfilled' || !name ? finding : { ...finding, message: `${name}: ${finding.message}` },
      );
    });
    if (all.length > 0) byPhoto.set(tile.id, all);
    else byPhoto.delete(tile.id);
  }
  return { ...findings, byPhoto };
}
