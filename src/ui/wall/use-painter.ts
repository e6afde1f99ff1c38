'use client';
import { useCallback, useEffect, useState } from 'react';
import type { Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import type { PaintGroup } from '../shared/painting';
import { painting } from '../shared/preview';

/** Keeps canvases painted with the newest template, by the page's one scheduler. */
export function usePainter(template: Template, width: number, photos: readonly PreviewPhoto[]) {
  const [errors, setErrors] = useState<ReadonlyMap<number, string>>(new Map());
  const [group] = useState<PaintGroup>(() => ({
    goal: { template, width, photos },
    canvases: new Map(),
    onErrors: setErrors,
  }));
  useEffect(() => painting().join(group), [group]);
  useEffect(() => {
    // The group is the scheduler's own record of what is wanted, not something that is rendered.
    // oxlint-disable-next-line react/immutability
    group.goal = { template, width, photos };
    void painting().refresh();
  }, [group, template, width, photos]);
  const register = useCallback(
    (id: number) => (canvas: HTMLCanvasElement | null) => {
      if (canvas) group.canvases.set(id, canvas);
      else group.canvases.delete(id);
    },
    [group],
  );
  return { register, errors };
}
