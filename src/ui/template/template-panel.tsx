'use client';
import { hasSlots, type Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';
import { BackdropSection } from './backdrop-section';
import { ColoursSection } from './colours-section';
import { EdgeSection } from './edge-section';
import { FinishSection } from './finish-section';
import { FrameSection } from './frame-section';
import { FramingSection } from './framing-section';
import {
  BeforeSection,
  BordersSection,
  CaptionsSection,
  MatSection,
  ShadowsSection,
  TintsSection,
} from './layer-sections';
import { LayersSection } from './layers-section';
import { ShapeSection } from './shape-section';
import { SlotsSection } from './slots-section';
import { OpenSection } from './open-section';
import type { TemplateStore } from './store';

type TemplatePanelProps = {
  /** As it is for the slot in hand. */
  readonly template: Template;
  readonly store: TemplateStore;
  /** The template and its store with no slot in hand, and which is. */
  readonly whole: { readonly template: Template; readonly store: TemplateStore; readonly slot: number | null };
  /** The photo that finishes are shown on. */
  readonly photo: PhotoRow | undefined;
};

/** All sections of a template, from its shape to its frame. */
export function TemplatePanel({ template, store, whole, photo }: TemplatePanelProps) {
  return (
    <>
      <OpenSection template={template} store={store} />
      <LayersSection template={template} store={store} />
      {hasSlots(whole.template) && <SlotsSection {...whole} />}
      <ShapeSection template={template} store={store} />
      <FinishSection template={template} store={store} photo={photo} />
      <FramingSection template={template} store={store} photo={photo} />
      <EdgeSection template={template} store={store} />
      <ColoursSection template={template} store={store} />
      <TintsSection template={template} store={store} />
      <BordersSection template={template} store={store} />
      <ShadowsSection template={template} store={store} />
      <MatSection template={template} store={store} />
      <BeforeSection template={template} store={store} />
      <CaptionsSection template={template} store={store} />
      <BackdropSection template={template} store={store} />
      <FrameSection template={template} store={store} />
      {!hasSlots(whole.template) && <SlotsSection {...whole} />}
    </>
  );
}
