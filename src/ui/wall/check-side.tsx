'use client';
import Link from 'next/link';
import type { ComponentProps } from 'react';
import { ChecksPanel } from '../checks/checks-panel';
import type { PhotoFindings } from '../checks/photo-findings';
import type { BenchPhoto } from '../photos/in-slots';
import { AlikeNote } from './alike-note';
import type { Alike } from './use-alike';

type CheckSideProps = Omit<ComponentProps<typeof ChecksPanel>, 'report' | 'findings' | 'children'> & {
  readonly batchId: number;
  /** Those that are exported. */
  readonly photos: readonly BenchPhoto[];
  readonly findings: PhotoFindings;
  /** Without those of photos that are good or left out. */
  readonly toLookAt: PhotoFindings;
  readonly alike: Alike;
};

/** The side of the step in which findings are looked at. */
export function CheckSide({ batchId, photos, findings, toLookAt, alike, ...panel }: CheckSideProps) {
  return (
    <ChecksPanel
      findings={toLookAt}
      report={
        <Link className="btn btn-plain" href={`/batches/${batchId}/report`}>
          Report
        </Link>
      }
      {...panel}
    >
      <AlikeNote photos={photos} findings={findings} alike={alike} />
    </ChecksPanel>
  );
}
