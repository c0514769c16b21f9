import type { ReactNode } from 'react';

import type { CropPage, CropVerdict } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import { perSquareWords } from '../../kit/text';
import { SayVerdict, Verdict } from '../../shared/Verdict';
import { EVIDENCE } from '../../shared/words';
import type { Units } from '../../kit/units';
import { WindowWords } from './CropWindows';
import { Profile } from './Profile';
import { WaysUp } from './WaysUp';

const SQUARE_CM = 30;

interface Props {
  page: CropPage;
  nameOf: (id: string) => string;
  onOpen: (id: string) => void;
}

const FROST: Record<string, string> = {
  hardy: 'survives frost',
  'half-hardy': 'survives a light frost',
  tender: 'killed by frost',
};
const PICKED: Record<string, string> = {
  once: 'once',
  few: 'a few times',
  'cut-and-come-again': 'again and again',
  continuous: 'every few days',
};

interface EntryProps extends Props {
  slug: string;
  verdict: CropVerdict | undefined;
}

/** One crop as a reference book has it: drawn at scale, its figures, its cautions, its company. */
export function CropEntry({ page, slug, verdict, nameOf, onOpen }: EntryProps) {
  const units = useUnits();
  const { crop } = page;
  return (
    <article aria-labelledby="crop-name">
      <header className="mb-1">
        <h2 id="crop-name" className="text-[22px] first-letter:uppercase">
          {crop.name}
        </h2>
        <p className="text-muted">
          <i>{crop.botanical}</i>
          {`, ${crop.family}`}
          {crop.names.length > 0 && `; also ${crop.names.join(', ')}`}
        </p>
        <Verdict of={verdict} />
        <SayVerdict slug={slug} on={[crop.name]} />
      </header>
      <div className="grid gap-x-8 sm:grid-cols-2">
        <Profile crop={crop} />
        <div>
          <WindowWords page={page} />
          <InThisGarden page={page} />
          <section aria-label="Good to know" className="sm:pt-3">
            {[...crop.cautions, ...crop.page_cautions].map((caution) => (
              <p key={caution} className="mb-1.5">
                <strong className="text-marigold">Care </strong>
                {caution}
              </p>
            ))}
            {page.traits.map((trait) => (
              <p key={trait.label} className="mb-1.5">
                <strong className="inline-block first-letter:uppercase">{`${trait.label}.`}</strong>{' '}
                {trait.follows}
              </p>
            ))}
            {crop.before_sowing && (
              <p className="mb-1.5">
                <strong>Before sowing. </strong>
                {crop.before_sowing}
              </p>
            )}
            <Company page={page} nameOf={nameOf} onOpen={onOpen} />
          </section>
        </div>
      </div>
      <div className="mt-3 grid gap-x-8 sm:grid-cols-2">
        {groupsOf(page, units).map(({ head, source, rows }) => (
          <section key={head} className="mb-3">
            <h3 className="border-b border-rule font-sans text-[14px] font-semibold">{head}</h3>
            <dl>
              {rows.map(([term, value]) => (
                <div
                  key={term}
                  className="flex items-baseline justify-between gap-3 leading-[1.55]"
                >
                  <dt>{term}</dt>
                  <dd className="text-right font-semibold">{value}</dd>
                </div>
              ))}
            </dl>
            <details className="text-[12px] text-muted">
              <summary className="cursor-pointer">Source</summary>
              {source}
            </details>
          </section>
        ))}
      </div>
      <WaysUp page={page} />
      <Troubles page={page} />
    </article>
  );
}

/** Each place of the garden, and whether the crop suits it. */
function InThisGarden({ page }: { page: CropPage }) {
  return (
    <section aria-label="In this garden" className="mt-2">
      <h3 className="border-b border-rule font-sans text-[14px] font-semibold">
        Does it suit this garden?
      </h3>
      <ul>
        {page.places.map((fit) => (
          <li key={fit.place} className="flex gap-3 border-b border-faint py-0.5">
            <span className="w-32 shrink-0">{fit.label}</span>
            <span className={fit.fits ? '' : 'text-muted'}>
              {`${fit.fits ? 'Yes' : 'No'}: ${fit.words}.`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Company({ page, nameOf, onOpen }: Props) {
  const say = useRegional();
  const open = (id: string): ReactNode => (
    <button key={id} type="button" className="press mr-3" onClick={() => onOpen(id)}>
      {nameOf(id)}
    </button>
  );
  return (
    <>
      {page.kinds.length > 0 && <p>{['Other kinds: ', ...page.kinds.map(open)]}</p>}
      {page.neighbours.length > 0 && (
        <section aria-label={say('Neighbours')} className="mt-2">
          <h3 className="border-b border-rule font-sans text-[14px] font-semibold">
            {say('Neighbours')}
          </h3>
          <ul>
            {page.neighbours.map((near) => (
              <li key={near.crop}>
                {open(near.crop)}
                {near.good ? near.effect : `keep apart: ${near.effect}`}
                <span className="text-muted">{` (${EVIDENCE[near.evidence] ?? near.evidence})`}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

const BEARS = { little: 'prone to it', some: 'resists it for a while', well: 'resists it' };

/** What troubles the crop, how it shows, what lessens it, and where another kind does better. */
function Troubles({ page }: { page: CropPage }) {
  if (page.troubles.length === 0) return null;
  return (
    <section aria-label="Troubles" className="mt-3">
      <h3 className="border-b border-rule font-sans text-[14px] font-semibold">Troubles</h3>
      <ul>
        {page.troubles.map((trouble) => {
          const [own, ...others] = trouble.grades;
          const differ = others.filter((kind) => kind.grade && kind.grade !== own?.grade);
          return (
            <li key={trouble.id} className="border-b border-faint py-0.5">
              <strong>{trouble.label}</strong>
              {own?.grade ? `: ${BEARS[own.grade]}` : ''}
              {differ.map((kind) => `; the ${kind.name} ${kind.grade ? BEARS[kind.grade] : ''}`)}
              {'. '}
              <span className="text-muted">{`${trouble.shows}. ${trouble.lessens}`}</span>
            </li>
          );
        })}
      </ul>
      <p className="text-[12.5px] text-muted">{page.crop.sources.troubles}</p>
    </section>
  );
}

interface Group {
  head: string;
  source: string;
  rows: [string, string][];
}

type Row = [string, string];

/** What a crop wants of warmth, what cold it bears, and where its figures hold. */
function warmthRows({ crop, days_from }: CropPage, units: Units): Row[] {
  const { leaf, crown } = crop.kill_c;
  const sets = crop.fruit_set;
  const rows: Row[] = [
    ['Grows from', units.temperature(crop.base_temperature_c)],
    [
      'Best, mean of day and night',
      `${units.temperature(crop.optimum_low_c)} to ${units.temperature(crop.optimum_high_c)}`,
    ],
    ['Stops growing at', units.temperature(crop.ceiling_temperature_c)],
  ];
  if (sets) {
    const [low, high] = [sets.night_low_c, sets.night_high_c].map((c) => units.temperature(c));
    rows.push(['Sets in nights of', `${low} to ${high}`]);
    rows.push(['Sets on days up to', units.temperature(sets.day_high_c)]);
  }
  rows.push(['Frost', FROST[crop.frost] ?? crop.frost]);
  if (leaf !== undefined) rows.push(['Leaf dies at', units.temperature(leaf)]);
  if (crop.after_frost_share) {
    const left = `${Math.round(crop.after_frost_share * 100)} % of its harvest`;
    rows.push(['Frost took its young leaves', `grows again, ${left}`]);
  }
  if (crown !== undefined) rows.push(['Crown or root dies at', units.temperature(crown)]);
  rows.push(['Germinates from', units.temperature(crop.germination_least_c)]);
  rows.push(['Days and harvest are for', days_from]);
  return rows;
}

/** How long it stays, and from which year it gives in full. */
function stayingRows({ crop }: CropPage): Row[] {
  const stays = crop.perennial;
  if (!stays) return [];
  const full = `from year ${stays.years_to_full + 1}`;
  const rows: Row[] = [
    ['Stays', `about ${stays.life_years} years`],
    ['Full harvest', full],
  ];
  if (stays.divide_years) rows.push(['Divide', `every ${stays.divide_years} years`]);
  return rows;
}

/** The book's figures by group, each with the note on where they come from. */
function groupsOf(page: CropPage, units: Units): Group[] {
  const { crop } = page;
  const from = (key: string) => crop.sources[key] ?? '';
  const span = (low: number, high: number) => `${low}–${high}`;
  const yields = crop.yield_kg_per_plant;
  const gives = yields
    ? `${units.mass(yields.low)} – ${units.mass(yields.typical)} – ${units.mass(yields.high)}`
    : 'not weighed';
  return [
    {
      head: 'Room',
      source: from('spacing'),
      rows: [
        ['Spacing each way', units.length(crop.spacing_cm)],
        ['In the row, between rows', units.both(crop.in_row_cm, crop.between_row_cm, ', ')],
        [`Usual in a square of ${units.length(SQUARE_CM)}`, perSquareWords(crop.per_square)],
        ['Spread, height', units.both(crop.canopy_cm, crop.height_cm, ', ')],
      ],
    },
    {
      head: 'Roots',
      source: from('roots'),
      rows: [
        ['Soil depth, least and full', units.both(crop.least_depth_cm, crop.full_depth_cm, ', ')],
        ['Harvest at the least depth', `${Math.round(crop.least_depth_factor * 100)} %`],
        [
          'Pot, least and full',
          `${units.volume(crop.least_litres)}, ${units.volume(crop.full_litres)}`,
        ],
        ...(crop.edible_root_cm
          ? [['Edible root', units.length(crop.edible_root_cm)] as [string, string]]
          : []),
      ],
    },
    {
      head: 'Sun',
      source: from('light'),
      rows: [['Sun, least and full', `${crop.least_sun_hours}, ${crop.full_sun_hours} h`]],
    },
    {
      head: 'Warmth and cold',
      source: `${from('warmth')} ${from('cold')}`,
      rows: warmthRows(page, units),
    },
    {
      head: 'Time',
      source: from('time'),
      rows: [
        ['Germinates in', `${span(crop.germination_days.low, crop.germination_days.high)} days`],
        ...(crop.weeks_indoors
          ? [['Weeks indoors', String(crop.weeks_indoors)] as [string, string]]
          : []),
        ['Picked', `${PICKED[crop.picking.kind] ?? ''}, over ${crop.picking.days} days`],
      ],
    },
    {
      head: 'Harvest',
      source: from('yield'),
      rows: [
        ['Harvest per plant', gives],
        ...(crop.piece_kg
          ? [['Weight of a piece', units.mass(crop.piece_kg)] as [string, string]]
          : []),
        ...stayingRows(page),
        ['Feeder', crop.feeder],
      ],
    },
    {
      head: 'Sowing',
      source: from('spacing'),
      rows: [
        ...(crop.sowing_depth_cm
          ? [['Sowing depth', units.length(crop.sowing_depth_cm)] as [string, string]]
          : []),
        ...(crop.seeds_per_station
          ? [['Seeds per station', String(crop.seeds_per_station)] as [string, string]]
          : []),
        ['Germination', `${Math.round(crop.emergence * 100)} %`],
        ['Survive to picking', `${Math.round(crop.survival * 100)} %`],
      ],
    },
  ];
}
