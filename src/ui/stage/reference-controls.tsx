'use client';
import { useRef } from 'react';
import { Button } from 'react-bootstrap';
import { FileInput } from '../shared/file-input';
import { setStage, useStage } from './stage-state';

const STRENGTH = 'Strength of the reference';

type ReferenceControlsProps = {
  readonly hasPhoto: boolean;
  /** What it lies there for: an outline to be traced, or slots to be laid out as on a printed page. */
  readonly label: 'Trace over' | 'Lay out over';
};

/** What lies under a drawing to be traced, or under slots: the photo itself, a picture from disk, or nothing. */
export function ReferenceControls({ hasPhoto, label }: ReferenceControlsProps) {
  const { reference: kept, strength } = useStage();
  const reference = kept.kind === 'photo' && !hasPhoto ? ({ kind: 'none' } as const) : kept;
  const file = useRef<HTMLInputElement>(null);
  const keep = (next: typeof reference) => {
    if (reference.kind === 'picture') URL.revokeObjectURL(reference.url);
    setStage({ reference: next });
  };
  return (
    <div className="d-flex align-items-center gap-2">
      <label className="muted" htmlFor="trace-over">
        {label}
      </label>
      <select
        id="trace-over"
        className="form-select form-select-sm w-auto"
        value={reference.kind}
        onChange={(event) => {
          if (event.target.value === 'picture') file.current?.click();
          else keep({ kind: event.target.value as 'photo' | 'none' });
        }}
      >
        {hasPhoto && <option value="photo">the photo</option>}
        <option value="none">nothing</option>
        <option value="picture">{reference.kind === 'picture' ? reference.name : 'a picture…'}</option>
      </select>
      {reference.kind === 'picture' && (
        <Button variant="quiet" onClick={() => file.current?.click()}>
          Another…
        </Button>
      )}
      {reference.kind !== 'none' && (
        <input
          type="range"
          className="form-range"
          style={{ width: 90 }}
          aria-label={STRENGTH}
          title={STRENGTH}
          min={10}
          max={100}
          value={Math.round(strength * 100)}
          onChange={(event) => setStage({ strength: Number(event.target.value) / 100 })}
        />
      )}
      <FileInput
        ref={file}
        label="Picture to trace"
        accept="image/png,image/jpeg,image/webp,image/avif,image/gif"
        onFile={(picture) => keep({ kind: 'picture', url: URL.createObjectURL(picture), name: picture.name })}
      />
    </div>
  );
}
