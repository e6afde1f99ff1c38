/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import { ChoiceField } from './choice-field';
import { ColourField } from '../paint/colour-field';
import { NumberField } from './number-field';

describe('a number', () => {
  const field = (value = 10) => {
    const onChange = jest.fn();
    const onDrag = jest.fn();
    render(
      <NumberField
        label="Width"
        value={value}
        min={0}
        max={500}
        unit="px"
        slider={[0, 100]}
        onChange={onChange}
        onDrag={onDrag}
      />,
    );
    return {
      onChange,
      onDrag,
      box: screen.getByLabelText('Width'),
      slider: screen.getByRole('slider', { name: 'Width, slider' }),
    };
  };

  test('is typed with a point or a comma and taken on Enter', () => {
    const { onChange, box } = field();
    fireEvent.change(box, { target: { value: '12,5' } });
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.keyDown(box, { key: 'Enter' });
    expect(onChange).toHaveBeenLastCalledWith(12.5);
  });

  test('stays within its limits, and what is no number is dropped', () => {
    const { onChange, box } = field();
    fireEvent.change(box, { target: { value: '9999' } });
    fireEvent.blur(box);
    expect(onChange).toHaveBeenLastCalledWith(500);
    fireEvent.change(box, { target: { value: 'wide' } });
    fireEvent.blur(box);
    expect(onChange).toHaveBeenCalledTimes(1);
    expect(box).toHaveProperty('value', '10');
  });

  test('goes by steps with the arrow keys, by ten with shift', () => {
    const { onChange, box } = field();
    fireEvent.keyDown(box, { key: 'ArrowUp' });
    fireEvent.keyDown(box, { key: 'ArrowDown', shiftKey: true });
    expect(onChange.mock.calls).toEqual([[11], [0]]);
  });

  test.each([
    ['px', 4],
    ['mm', 3.1],
    ['in', 3.01],
    ['%', 4],
  ])('in %s a press of a key is a step that suits it', (unit, after) => {
    const onChange = jest.fn();
    render(<NumberField label="Across" value={3} min={0} max={9} unit={unit} onChange={onChange} />);
    fireEvent.keyDown(screen.getByLabelText('Across'), { key: 'ArrowUp' });
    expect(onChange).toHaveBeenCalledWith(after);
  });

  test('a slider that reaches further than its limits is held to them', () => {
    const onChange = jest.fn();
    render(<NumberField label="Length" value={5} min={0.01} max={8} slider={[0, 10]} onChange={onChange} />);
    const slider = screen.getByRole('slider', { name: 'Length, slider' });
    for (const value of ['0', '10', '1']) fireEvent.change(slider, { target: { value } });
    expect(onChange.mock.calls).toEqual([[0.01], [8], [1]]);
  });

  test('follows its slider, and says when a drag begins and ends', () => {
    const { onChange, onDrag, slider } = field();
    fireEvent.pointerDown(slider);
    fireEvent.change(slider, { target: { value: '40' } });
    fireEvent.pointerUp(slider);
    expect(onChange).toHaveBeenCalledWith(40);
    expect(onDrag.mock.calls).toEqual([[true], [false]]);
  });

  test('beyond the slider’s range the slider stands at its end', () => {
    expect(field(400).slider).toHaveProperty('value', '100');
  });
});

test('a choice is one of a few words, moved by the arrow keys and round again', () => {
  const onChange = jest.fn();
  render(
    <ChoiceField<'inside' | 'centre' | 'outside'>
      label="Lies"
      value="outside"
      options={{ inside: 'inside', centre: 'centre', outside: 'outside' }}
      onChange={onChange}
    />,
  );
  const group = screen.getByRole('radiogroup', { name: 'Lies' });
  const chosen = screen.getByRole('radio', { checked: true });
  expect([group.textContent, chosen.textContent, chosen.tabIndex]).toEqual(['insidecentreoutside', 'outside', 0]);
  fireEvent.keyDown(chosen, { key: 'ArrowRight' });
  fireEvent.keyDown(chosen, { key: 'ArrowUp' });
  fireEvent.click(screen.getByRole('radio', { name: 'inside' }));
  expect(onChange.mock.calls).toEqual([['inside'], ['centre'], ['inside']]);
});

describe('a colour', () => {
  const field = (value = '#24594f80') => {
    const onChange = jest.fn();
    render(<ColourField label="Paint" value={value} onChange={onChange} />);
    return { onChange, box: screen.getByLabelText('Paint'), picker: screen.getByLabelText('Paint, picker') };
  };

  test('is typed in CSS hex notation, with or without the sign', () => {
    const { onChange, box } = field();
    for (const text of ['#FFF', '0a0b0c', '#12345', 'red']) {
      fireEvent.change(box, { target: { value: text } });
      fireEvent.keyDown(box, { key: 'Enter' });
    }
    expect(onChange.mock.calls).toEqual([['#fff'], ['#0a0b0c']]);
  });

  test('shows the picker its colour without the alpha', () => {
    expect(field().picker).toHaveProperty('value', '#24594f');
  });
});
