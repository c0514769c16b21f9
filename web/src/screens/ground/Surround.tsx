import { memo } from 'react';

import type { Obstacle, Site } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import type { Extent } from '../../kit/useExtent';
import type { Units } from '../../kit/units';
import { isShown, ring } from './held';
import type { Shows } from './held';
import { textWidth } from './labels';
import type { Box } from './labels';
import { pageBox } from './PlaceMarks';
import { keyOf, sameThing, thingOf } from './things';
import type { Thing } from './things';
import { toPx } from './yardScale';
import type { YardScale } from './yardScale';

interface Props {
  site: Site;
  scale: YardScale;
  extent: Extent;
  chosen: Thing | null;
  shows: Shows;
}

const LEAFY = ['tree', 'shrub', 'hedge'];

/** What stands round the beds: houses, walls, trees; paths; taps, butts and the door. */
export const Surround = memo(function Surround({ site, scale, extent, chosen, shows }: Props) {
  const units = useUnits();
  const say = useRegional();
  const ink = (thing: Thing) => (sameThing(chosen, thing) ? 'var(--damson)' : 'var(--ink)');
  const part = (thing: Thing) => ({
    'data-thing': JSON.stringify(thing),
    visibility: isShown(shows, thing) ? undefined : 'hidden',
    className: 'cursor-move',
  });
  return (
    <g>
      {site.sun_seen.map((patch, index) => (
        <SunSeen
          key={index}
          patch={patch}
          part={part({ kind: 'sun', index })}
          ink={ink({ kind: 'sun', index })}
          scale={scale}
          counted={site.obstacles.length === 0}
        />
      ))}
      {site.paths.map((path, index) => {
        const thing: Thing = { kind: 'path', index };
        const points = path.line_m.map((p) => toPx(scale, p));
        const d = `M${points.map(([x, y]) => `${x} ${y}`).join('L')}`;
        const wide = (path.width_cm / 100) * scale.pxPerM;
        return (
          <g key={index} {...part(thing)} fill="none" stroke={ink(thing)}>
            <title>{`${path.name ?? 'path'}, ${units.length(path.width_cm)} wide`}</title>
            <path d={d} strokeWidth={wide} opacity={0.07} strokeLinejoin="round" />
            <path d={d} strokeWidth={0.9} strokeDasharray="1.5 4" strokeLinecap="round" />
          </g>
        );
      })}
      {site.obstacles.map((obstacle) => {
        const thing = thingOf(obstacle);
        const leafy = LEAFY.includes(obstacle.kind ?? '');
        return (
          <g key={keyOf(thing)} {...part(thing)}>
            <path
              d={ring(scale, obstacle.outline_m)}
              fill={leafy ? 'url(#hatch-leafy)' : 'url(#hatch-built)'}
              stroke={leafy && !sameThing(chosen, thing) ? 'var(--leaf)' : ink(thing)}
              strokeWidth={1.3}
              strokeDasharray={leafy ? '7 3' : undefined}
            />
          </g>
        );
      })}
      {site.obstacles.map((obstacle) => {
        const label = labelOf(obstacle, scale, extent, units);
        const thing = thingOf(obstacle);
        return (
          label && (
            <text
              key={keyOf(thing)}
              {...part(thing)}
              x={label.x}
              y={label.y}
              transform={label.turned ? `rotate(-90 ${label.x} ${label.y})` : undefined}
              textAnchor="middle"
              fontSize={12}
              fill={sameThing(chosen, thing) ? 'var(--damson)' : 'var(--muted)'}
              className="halo cursor-move"
            >
              {label.text}
            </text>
          )
        );
      })}
      {[
        ...site.taps.map((tap, index) => ({
          thing: { kind: 'tap', index } as const,
          at: toPx(scale, tap.at_m),
          sign: 'M0 -8C4 -3 5.5 -1 5.5 1.8A5.5 5.5 0 0 1 -5.5 1.8C-5.5 -1 -4 -3 0 -8z',
          text: tapWords(tap, units, say, extent),
        })),
        ...site.tanks.map((tank, index) => ({
          thing: { kind: 'tank', index } as const,
          at: toPx(scale, tank.at_m),
          sign: 'M-6 -6H6V6H-6zM-6 -1Q-3 -3 0 -1T6 -1',
          text: tankWords(tank, units, say, extent),
        })),
        ...(site.door_m
          ? [
              {
                thing: { kind: 'door' } as const,
                at: toPx(scale, site.door_m),
                sign: 'M-9 0H9M9 0A18 18 0 0 1 -2 15L-9 0',
                text: 'door',
              },
            ]
          : []),
      ].map(({ thing, at, sign, text }) => (
        <Spot
          key={keyOf(thing)}
          part={part(thing)}
          ink={ink(thing)}
          at={at}
          sign={sign}
          text={text}
          side={sideOf(at, extent)}
        />
      ))}
    </g>
  );
});

const SEEN_TONES = { little: 1, some: 4, enough: 7 } as const;

/** A part of the yard that was painted with the sun seen there. */
function SunSeen({
  patch,
  part,
  ink,
  scale,
  counted,
}: {
  patch: Site['sun_seen'][number];
  part: Record<string, string | undefined>;
  ink: string;
  scale: YardScale;
  /** What casts shade goes before what was painted. */
  counted: boolean;
}) {
  const [x, y] = toPx(scale, [patch.at_m[0], patch.at_m[1] + patch.length_m]);
  return (
    <g {...part}>
      <rect
        x={x}
        y={y}
        width={patch.width_m * scale.pxPerM}
        height={patch.length_m * scale.pxPerM}
        fill={counted ? `var(--sun-${SEEN_TONES[patch.sun]})` : 'none'}
        stroke={ink}
        strokeWidth={0.8}
        strokeDasharray="2 5"
      />
      <text
        x={x}
        y={y - 4}
        fontSize={12}
        fill={ink === 'var(--ink)' ? 'var(--muted)' : ink}
        className="halo"
      >
        {`${patch.sun} sun${counted ? '' : ', not counted'}`}
      </text>
    </g>
  );
}

interface SpotProps {
  part: Record<string, string | undefined>;
  ink: string;
  at: readonly [number, number];
  sign: string;
  text: string;
  side: 1 | -1;
}

function Spot({ part, ink, at: [x, y], sign, text, side }: SpotProps) {
  return (
    <g {...part}>
      <circle cx={x} cy={y} r={14} fill="transparent" />
      <path
        d={sign}
        transform={`translate(${x} ${y})`}
        fill="var(--paper)"
        stroke={ink}
        strokeWidth={1.4}
      />
      <text
        x={x + side * 14}
        y={y + 5}
        textAnchor={side > 0 ? 'start' : 'end'}
        fontSize={12}
        fill={ink}
        className="halo"
      >
        {text}
      </text>
    </g>
  );
}

function sideOf([x]: readonly [number, number], extent: Extent): 1 | -1 {
  return x > extent.width * 0.6 ? -1 : 1;
}

type Say = (text: string) => string;

interface Label {
  x: number;
  y: number;
  turned: boolean;
  text: string;
}

/** Where an obstacle's name stands: within what is seen of it, or along it where it is thin. */
function labelOf(obstacle: Obstacle, scale: YardScale, extent: Extent, units: Units): Label | null {
  const whole = pageBox(scale, obstacle.outline_m);
  const [x0, y0] = [Math.max(0, whole.x), Math.max(0, whole.y)];
  const [x1, y1] = [
    Math.min(extent.width, whole.x + whole.w),
    Math.min(extent.height, whole.y + whole.h),
  ];
  if (x1 - x0 < 2 || y1 - y0 < 2) return null;
  const text = `${obstacle.name ?? obstacle.kind ?? 'obstacle'}, ${units.distance(obstacle.height_m)}`;
  const wide = textWidth(text);
  const turned = x1 - x0 < wide && y1 - y0 > x1 - x0;
  const half = wide / 2;
  const centre = {
    x: turned ? (x0 + x1) / 2 : inside((x0 + x1) / 2, half, extent.width),
    y: turned ? inside((y0 + y1) / 2, half, extent.height) : (y0 + y1) / 2,
  };
  if (turned && x1 - x0 < 20) {
    const outward = centre.x < extent.width / 2 ? -1 : 1;
    return { ...centre, x: centre.x + outward * ((x1 - x0) / 2 + 9) + 4, turned, text };
  }
  if (!turned && y1 - y0 < 20) {
    const outward = centre.y < extent.height / 2 ? -1 : 1;
    return { ...centre, y: centre.y + outward * ((y1 - y0) / 2 + 10) + 4, turned, text };
  }
  return turned
    ? { ...centre, x: centre.x + 4, turned, text }
    : { ...centre, y: centre.y + 4, turned, text };
}

/** The middle of a text so near to where it is wanted that all of it is on the page. */
function inside(wanted: number, half: number, page: number): number {
  return page < 2 * half ? page / 2 : Math.min(Math.max(wanted, half), page - half);
}

/** The boxes that the names of surrounding things take, so that nothing is written over them. */
export function surroundBoxes(
  site: Site,
  scale: YardScale,
  extent: Extent,
  units: Units,
  say: Say,
): Box[] {
  const labels = site.obstacles.flatMap((obstacle): Box[] => {
    const label = labelOf(obstacle, scale, extent, units);
    if (!label) return [];
    const w = textWidth(label.text);
    return label.turned
      ? [{ x: label.x - 14, y: label.y - w / 2, w: 20, h: w }]
      : [{ x: label.x - w / 2, y: label.y - 13, w, h: 18 }];
  });
  const spots = [
    ...site.taps.map((tap) => [tap.at_m, tapWords(tap, units, say, extent)] as const),
    ...site.tanks.map((tank) => [tank.at_m, tankWords(tank, units, say, extent)] as const),
    ...(site.door_m ? [[site.door_m, 'door'] as const] : []),
  ].map(([at, text]): Box => {
    const [x, y] = toPx(scale, at);
    const w = textWidth(text) + 22;
    return { x: sideOf([x, y], extent) > 0 ? x - 10 : x + 10 - w, y: y - 9, w, h: 19 };
  });
  return [...labels, ...spots];
}

/** Narrower drawings name what brings water and leave its figures to the list. */
const NARROW_PX = 480;

function tapWords(tap: Site['taps'][number], units: Units, say: Say, extent: Extent): string {
  const name = tap.name ?? say('tap');
  return tap.hose_m && extent.width >= NARROW_PX
    ? `${name}, hose ${units.distance(tap.hose_m)}`
    : name;
}

function tankWords(tank: Site['tanks'][number], units: Units, say: Say, extent: Extent): string {
  const name = tank.name ?? say('butt');
  return extent.width >= NARROW_PX ? `${name}, ${units.volume(tank.litres)}` : name;
}
