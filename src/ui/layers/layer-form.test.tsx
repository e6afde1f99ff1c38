/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import { behind, before } from '@/core/layers';
import { parseTemplate } from '@/core/template';
import { withSlots } from '../template/slot-lists';
import { LayerForm } from './layer-form';
import { newLayer } from './lists';

const one = parseTemplate({ wobrel: 1, name: 'T' });
const GIVEN = { onChange: () => {}, onDrag: () => {} };

test.each([
  ['one photo', one, ['photo', 'picture', 'paint'], true],
  ['slots', withSlots(one, 2), ['picture', 'paint'], false],
])('with %s, only what the template can show is offered', (_, template, kinds, hasPhoto) => {
  const { unmount } = render(
    <LayerForm {...GIVEN} definition={behind} layer={newLayer('behind', template)} template={template} />,
  );
  const group = screen.getByRole('radiogroup', { name: 'Shows' });
  expect([...group.querySelectorAll('[role=radio]')].map(({ textContent }) => textContent)).toEqual(kinds);
  unmount();
  // A picture's form would ask the server for pictures.
  const layer = { ...newLayer('before', template), show: 'paint' as const };
  render(<LayerForm {...GIVEN} definition={before} layer={layer} template={template} />);
  expect(screen.queryByRole('option', { name: 'the photo again' }) !== null).toBe(hasPhoto);
});
