'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import type { LayerList } from '@/core/layers';

type Asked = {
  /** The section that is asked for, by its title. */
  readonly section: string;
  /** The layer in it that is to be open. */
  readonly layer: { readonly list: LayerList; readonly i: number } | null;
};

const useAsked = create<{ readonly last: Asked | null }>()(() => ({ last: null }));

/** Opens a section of the panel from elsewhere in it, and the form of one of its layers. */
export const askFor = (section: string, layer: Asked['layer'] = null): void =>
  useAsked.setState({ last: { section, layer } });

/** The layer that was asked for last, if it is of a list. */
export function askedIn(list: LayerList): number | null {
  const layer = useAsked.getState().last?.layer;
  return layer?.list === list ? layer.i : null;
}

/** Calls as soon as something is asked for. */
export function useAsking(onAsked: (asked: Asked) => void): void {
  useEffect(() => useAsked.subscribe(({ last }) => last && onAsked(last)));
}
