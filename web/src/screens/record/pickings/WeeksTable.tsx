import { useState } from 'react';

import type { Tape } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { dayOf, shortWords } from '../../../kit/day';
import { useUnits } from '../../../kit/preferences';
import { estimated } from './week';

/** The drawing's figures: each week's estimate, what was picked in it, and all up to its end. */
export function WeeksTable({ tape }: { tape: Tape }) {
  const units = useUnits();
  const [crop, setCrop] = useState('');
  const strips = [tape.whole, ...tape.crops];
  const strip = strips.find((each) => each.crop === crop) ?? tape.whole;
  const sums = strip.weeks.map((_, at) =>
    strip.weeks.slice(0, at + 1).reduce((sum, week) => sum + week.picked_kg, 0),
  );
  return (
    <div className="max-w-2xl px-[14px]">
      <Choice
        label="Crop"
        value={strip.crop}
        options={strips.map((each) => [each.crop, each.name] as const)}
        onChange={setCrop}
      />
      <table
        className="mt-2 w-full text-left text-[14px] tabular-nums"
        aria-label={`${strip.name}, week by week`}
      >
        <thead>
          <tr>
            <th scope="col">Week from</th>
            <th scope="col">Estimated</th>
            <th scope="col">Picked</th>
            <th scope="col">Picked so far</th>
          </tr>
        </thead>
        <tbody>
          {strip.weeks.map((week, at) => (
            <tr key={week.week}>
              <th scope="row">{shortWords(dayOf(week.week))}</th>
              <td>{estimated(week, units)}</td>
              <td>{week.picked_kg > 0 ? units.mass(week.picked_kg) : ''}</td>
              <td>{units.mass(sums[at] ?? 0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
