import { memo, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';

import type { HeldGarden } from '../../api/merge';
import type { YardSun } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import type { Extent } from '../../kit/useExtent';
import { NorthMark } from '../../drawing/NorthMark';
import { Dimensions } from './Dimensions';
import { ring } from './held';
import type { Held } from './held';
import type { Box } from './labels';
import { PlaceMarks, placeBoxes } from './PlaceMarks';
import type { PlaceMark } from './PlaceMarks';
import { Isolines, Tones } from './SunLayer';
import { Surround, surroundBoxes } from './Surround';
import { keyOf, siteOf, spotOfThing } from './things';
import type { Thing } from './things';
import { boundsOf, fitYard, snapped, toYard } from './yardScale';
import type { PointM, YardScale } from './yardScale';

interface Props {
  state: HeldGarden;
  sun: YardSun | undefined;
  extent: Extent;
  chosen: Thing | null;
  /** The next press sets the chosen thing down there. */
  placing: boolean;
  onChoose: (thing: Thing | null) => void;
  onMove: (thing: Thing, to: PointM) => void;
  /** Moved by so much from wherever it is by now, and onto the nearest step. [m] */
  onNudge: (thing: Thing, by: PointM, stepM: number) => void;
}

const MARGIN_M = 1.1;
const STILL_PX = 4;

/** The yard from above at true scale: what stands there, what casts shade, the sun it leaves. */
export function YardDrawing(props: Props) {
  const { state, sun, extent, chosen } = props;
  const units = useUnits();
  const say = useRegional();
  const site = siteOf(state.plan);
  const outline = site.outline_m;
  const [held, setHeld] = useState<Held | null>(null);
  const pressed = useRef<{ x: number; y: number } | null>(null);
  const scale = useMemo(
    () => (outline ? fitYard(boundsOf(outline), extent, MARGIN_M) : null),
    [outline, extent],
  );
  const around = useMemo(
    () => (scale ? surroundBoxes(site, scale, extent, units, say) : []),
    [site, scale, extent, units, say],
  );
  const places = useMemo(
    () => (scale ? placeBoxes(state, sun?.places ?? {}, scale, extent, around) : []),
    [state, sun, scale, extent, around],
  );
  const taken = useMemo(
    () => [...places.flatMap((p) => (p.label ? [p.box, p.label] : [p.box])), ...around],
    [places, around],
  );
  if (!scale || !outline) return null;

  const pointOf = (event: PointerEvent<HTMLDivElement>): PointM => {
    const box = event.currentTarget.getBoundingClientRect();
    return toYard(scale, [event.clientX - box.left, event.clientY - box.top]);
  };
  const target = (start: PointM, by: PointM): PointM => [
    snapped(start[0] + by[0], units.snapM),
    snapped(start[1] + by[1], units.snapM),
  ];
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    const at = pointOf(event);
    if (props.placing && chosen) {
      props.onMove(chosen, target(at, [0, 0]));
      return;
    }
    const thing = thingUnder(event.target as Element);
    props.onChoose(thing);
    if (!thing) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    pressed.current = { x: event.clientX, y: event.clientY };
    setHeld({ thing, from: at, by: [0, 0] });
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const began = pressed.current;
    if (!held || !began) return;
    if (held.by[0] === 0 && held.by[1] === 0) {
      if (Math.hypot(event.clientX - began.x, event.clientY - began.y) < STILL_PX) return;
    }
    const start = spotOfThing(state.plan, held.thing);
    if (!start) return;
    const at = pointOf(event);
    const to = target(start, [at[0] - held.from[0], at[1] - held.from[1]]);
    const by: PointM = [to[0] - start[0], to[1] - start[1]];
    if (by[0] !== held.by[0] || by[1] !== held.by[1]) setHeld({ ...held, by });
  };
  const onPointerUp = () => {
    const start = held ? spotOfThing(state.plan, held.thing) : null;
    pressed.current = null;
    setHeld(null);
    if (!held || !start || (held.by[0] === 0 && held.by[1] === 0)) return;
    props.onMove(held.thing, [start[0] + held.by[0], start[1] + held.by[1]]);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    const step = units.snapM * (event.shiftKey ? 10 : 1);
    const by = (
      {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, step],
        ArrowDown: [0, -step],
      } as Record<string, PointM>
    )[event.key];
    if (event.key === 'Escape') props.onChoose(null);
    else if (by && chosen) props.onNudge(chosen, by, units.snapM);
    else return;
    event.preventDefault();
  };
  const carried = held && (held.by[0] !== 0 || held.by[1] !== 0) ? held : null;
  return (
    <div
      className={`bed relative h-full w-full touch-none select-none ${props.placing ? 'cursor-crosshair' : ''}`}
      role="application"
      tabIndex={0}
      aria-label={`The yard from above. ${chosen ? `Chosen: ${keyOf(chosen)}. Arrows move it.` : 'Nothing chosen.'}`}
      aria-keyshortcuts="ArrowUp ArrowDown ArrowLeft ArrowRight Escape"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => setHeld(null)}
      onKeyDown={onKeyDown}
    >
      <Lying
        state={state}
        sun={sun}
        extent={extent}
        scale={scale}
        places={places}
        taken={taken}
        chosen={chosen}
        but={carried ? keyOf(carried.thing) : null}
      />
      <Carried
        state={state}
        extent={extent}
        scale={scale}
        places={places}
        chosen={chosen}
        held={carried}
      />
    </div>
  );
}

interface LayerProps {
  state: HeldGarden;
  extent: Extent;
  scale: YardScale;
  places: readonly PlaceMark[];
  chosen: Thing | null;
}

/** All that lies still. While something is carried this is not drawn again. */
const Lying = memo(function Lying({
  state,
  sun,
  extent,
  scale,
  places,
  taken,
  chosen,
  but,
}: LayerProps & { sun: YardSun | undefined; taken: readonly Box[]; but: string | null }) {
  const site = siteOf(state.plan);
  const outline = ring(scale, site.outline_m ?? []);
  const shows = useMemo(() => ({ but }), [but]);
  const [nx, ny] = northSpot(extent);
  return (
    <svg
      className="layer block h-full w-full"
      viewBox={`0 0 ${extent.width} ${extent.height}`}
      role="group"
    >
      <clipPath id="yard-clip">
        <path d={outline} />
      </clipPath>
      {sun?.map && (
        <g clipPath="url(#yard-clip)">
          <Tones map={sun.map} layer={0} scale={scale} />
          <Isolines map={sun.map} layer={0} scale={scale} taken={taken} />
        </g>
      )}
      <path d={outline} fill={sun?.map ? 'none' : 'var(--paper)'} stroke="var(--ink)" />
      <Surround site={site} scale={scale} extent={extent} chosen={chosen} shows={shows} />
      <PlaceMarks marks={places} state={state} scale={scale} chosen={chosen} shows={shows} />
      <NorthMark x={nx} y={ny} headingDeg={(site.north_deg ?? 0) + 90} />
    </svg>
  );
});

/** What the pointer carries, and the measures of the chosen place, over all that lies still. */
function Carried({
  state,
  extent,
  scale,
  places,
  chosen,
  held,
}: LayerProps & { held: Held | null }) {
  const key = held ? keyOf(held.thing) : '';
  const shows = useMemo(() => ({ only: key }), [key]);
  const site = siteOf(state.plan);
  return (
    <svg
      className="layer pointer-events-none absolute inset-0 block h-full w-full"
      viewBox={`0 0 ${extent.width} ${extent.height}`}
      role="group"
    >
      {held && (
        <g transform={`translate(${held.by[0] * scale.pxPerM} ${-held.by[1] * scale.pxPerM})`}>
          {held.thing.kind === 'place' ? (
            <PlaceMarks marks={places} state={state} scale={scale} chosen={chosen} shows={shows} />
          ) : (
            <Surround site={site} scale={scale} extent={extent} chosen={chosen} shows={shows} />
          )}
        </g>
      )}
      {chosen?.kind === 'place' && (
        <Dimensions state={state} place={chosen.id} scale={scale} held={held} />
      )}
    </svg>
  );
}

function northSpot(extent: Extent): PointM {
  return [extent.width - 22, extent.height - 34];
}

function thingUnder(target: Element): Thing | null {
  const marked = target.closest('[data-thing]');
  const text = marked?.getAttribute('data-thing');
  return text ? (JSON.parse(text) as Thing) : null;
}
