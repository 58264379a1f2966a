import type { ComponentType } from 'react';

/** The page of every stage and tool, by its address: loaded when it is first looked at. */
export const PAGES = {
  '/': async () => (await import('../features/rigs')).RigsPage,
  '/rigs/:rigId/brief': async () => (await import('../features/brief')).BriefPage,
  '/rigs/:rigId/path': async () => (await import('../features/path')).PathPage,
  '/rigs/:rigId/plans': async () => (await import('../features/plans')).PlansPage,
  '/rigs/:rigId/board': async () => (await import('../features/board')).BoardPage,
  '/rigs/:rigId/power': async () => (await import('../features/power')).PowerPage,
  '/rigs/:rigId/build': async () => (await import('../features/build')).BuildPage,
  '/rigs/:rigId/bench': async () => (await import('../features/bench')).RigBenchPage,
  '/rigs/:rigId/listen': async () => (await import('../features/listen')).ListenPage,
  '/rigs/:rigId/trace': async () => (await import('../features/trace')).TracePage,
  '/rigs/:rigId/book': async () => (await import('../features/book')).BookPage,
  '/trace': async () => (await import('../features/trace')).FreeTracePage,
  '/bench': async () => (await import('../features/bench')).BenchPage,
  '/gear': async () => (await import('../features/gear')).GearPage,
  '/guide': async () => (await import('../features/guide')).GuidePage,
  '/di': async () => (await import('../features/checks')).DiPage,
  '/speaker': async () => (await import('../features/checks')).SpeakerPage,
  '/settings': async () => (await import('../features/settings')).SettingsPage,
} as const satisfies Readonly<Record<string, () => Promise<ComponentType>>>;

export type Route = keyof typeof PAGES;
