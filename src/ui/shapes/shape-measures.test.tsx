/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { parseTemplate } from '@/core/template';
import { ShapeMeasures } from './shape-measures';

function opened(fields: object) {
  const template = parseTemplate({ wobrel: 1, name: 'T', ...fields });
  const { container } = render(<ShapeMeasures template={template} />);
  const details = container.querySelector('details')!;
  details.open = true;
  fireEvent(details, new Event('toggle'));
  return container;
}

test('a disc of 960 px says π·480², 2π·480 and its diameter', () => {
  const text = opened({}).textContent;
  expect(text).toContain('Covers 62.1 % of the frame');
  expect(text).toMatch(/Area723,82\d.*Outline3,015\.9/);
  expect(text).toContain('Takes up960 × 960 px');
  expect(text).toContain('Centre of area540, 540');
  expect(screen.queryByRole('status')).toBeNull();
});

test('a border too wide for the thinnest part is told, with the place and a way to mend it', () => {
  // A ring whose band is 96 px wide: 30 px from both edges leave room, 60 px don't.
  const ring = { kind: 'ring', thickness: 0.2, box: { cx: 540, cy: 540, width: 960, height: 960 } };
  opened({ shape: ring, borders: [{ width: 30 }] });
  expect(screen.queryByRole('status')).toBeNull();
  opened({ shape: ring, borders: [{ width: 60 }] });
  expect(screen.getByRole('status').textContent).toMatch(
    /fills the thinnest part, 9[4-8](\.\d+)? px wide at .*To mend it/,
  );
});
