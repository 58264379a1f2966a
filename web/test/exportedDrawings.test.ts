import { drawBoard, DRAWING_KINDS, type Rig } from '@gullwind/core';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { DrawingSvg } from '../src/ui/DrawingSvg';
import { HOSTILE, rigNamed } from './hostileNames';

/// A drawing as SVG has the same elements and attributes in it whatever the names, and opens as XML.

const PLAIN = rigNamed('Plain');

/** Kinds of elements with the attributes that they have; how a name is broken into lines may be another. */
function formOf(rig: Rig, kind: (typeof DRAWING_KINDS)[number]): ReadonlySet<string> {
  const svg = renderToStaticMarkup(
    createElement(DrawingSvg, drawBoard(rig, rig.texts.name, kind, 'metric')),
  );
  const document = new DOMParser().parseFromString(svg, 'image/svg+xml');
  expect([...document.querySelectorAll('parsererror')].map((one) => one.textContent)).toEqual([]);
  return new Set(
    [...document.querySelectorAll('*')].map(
      (one) => `${one.tagName} ${one.getAttributeNames().sort().join(' ')}`,
    ),
  );
}

describe.each(DRAWING_KINDS)('the drawing of %s', (kind) => {
  const plain = formOf(PLAIN, kind);

  test.each(HOSTILE.map((name) => [JSON.stringify(name).slice(0, 40), name] as const))(
    'where everything is called %s',
    (_, name) => {
      for (const form of formOf(rigNamed(name), kind)) expect(plain).toContain(form);
    },
  );
});
