import { Slider } from 'radix-ui';
import type { CSSProperties, KeyboardEvent } from 'react';

interface Props {
  label: string;
  /** The value in words, as it is read aloud. */
  text: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  /** From least at the top to most below; else from left to right. */
  downward?: boolean;
  /** Where the scale lies within the drawing, which is positioned: least and most are its ends. */
  style: CSSProperties;
  /** Only its handle is taken hold of, so that what lies under the scale can be pressed. */
  byHandle?: boolean;
  onChange: (value: number) => void;
  /** Keys that this drawing moves by in its own steps: those it takes, it prevents. */
  onKeyDown?: (event: KeyboardEvent) => void;
  onDropped?: () => void;
  /** It has lost the keys or the pointer without being dropped. */
  onLeft?: () => void;
}

/** A slider laid over a drawing that shows the value itself: the handle is felt, not seen. */
export function DrawnSlider(props: Props) {
  return (
    <Slider.Root
      className="drawn-slider"
      data-by-handle={props.byHandle}
      style={props.style}
      orientation={props.downward ? 'vertical' : 'horizontal'}
      inverted={props.downward ?? false}
      min={props.min}
      max={props.max}
      step={props.step ?? 1}
      value={[props.value]}
      onValueChange={([value]) => {
        if (value !== undefined) props.onChange(value);
      }}
      onPointerUp={props.onDropped}
      onPointerCancel={props.onLeft}
    >
      <Slider.Thumb
        className="drawn-handle"
        aria-label={props.label}
        aria-valuetext={props.text}
        onKeyDown={props.onKeyDown}
        onBlur={props.onLeft}
      />
    </Slider.Root>
  );
}
