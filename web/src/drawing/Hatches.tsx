import type { ReactNode } from 'react';

/** A family is known by its hatch. The table says which; a family not in it is left plain. */
const HATCHES: Record<string, { size: number; lines: ReactNode }> = {
  Solanaceae: { size: 6, lines: <path d="M-1 -1L7 7M-1 5L1 7M5 -1L7 1" /> },
  Apiaceae: { size: 5, lines: <path d="M-1 6L6 -1M-1 1L1 -1M4 6L6 4" /> },
  Fabaceae: { size: 6, lines: <path d="M0 0L6 6M0 6L6 0" /> },
  Brassicaceae: { size: 5, lines: <path d="M0 2.5H5" /> },
  Amaranthaceae: { size: 5, lines: <path d="M2.5 0V5" /> },
  Amaryllidaceae: { size: 8, lines: <path d="M0 4Q2 1 4 4T8 4" /> },
  Asteraceae: {
    size: 6,
    lines: <path d="M1.5 1.5h.01M4.5 4.5h.01" strokeWidth={1.5} strokeLinecap="round" />,
  },
  Cucurbitaceae: { size: 4, lines: <path d="M2 2h.01" strokeWidth={1.6} strokeLinecap="round" /> },
  Lamiaceae: { size: 6, lines: <path d="M1 2H4M3.5 5H6.5M-1 5H.5" /> },
  Rosaceae: { size: 7, lines: <circle cx={3.5} cy={3.5} r={1.6} /> },
  Tropaeolaceae: { size: 6, lines: <path d="M0 3H6M3 0V6" /> },
  Poaceae: { size: 6, lines: <path d="M1.5 0V3M4.5 3V6" /> },
  Boraginaceae: { size: 6, lines: <path d="M3 1V5M1 3H2M4 3H5" /> },
  Caprifoliaceae: { size: 7, lines: <path d="M1 3Q3.5 0 6 3" /> },
  Convolvulaceae: { size: 8, lines: <path d="M1 6Q4 -1 7 6" /> },
  Malvaceae: { size: 7, lines: <path d="M3.5 1V3.5M3.5 3.5L1.5 5.5M3.5 3.5L5.5 5.5" /> },
  Montiaceae: { size: 6, lines: <path d="M1 3A2 2 0 0 0 5 3" /> },
  Polygonaceae: { size: 7, lines: <path d="M1 1H4V4H1Z" /> },
  Portulacaceae: { size: 5, lines: <path d="M1 1L3 3" /> },
  Ericaceae: { size: 7, lines: <path d="M1.5 1.5L3.5 5.5L5.5 1.5" /> },
  Grossulariaceae: {
    size: 8,
    lines: (
      <>
        <circle cx={2} cy={2} r={0.9} />
        <circle cx={6} cy={6} r={0.9} />
        <path d="M4 5L7 2" />
      </>
    ),
  },
  Zingiberaceae: { size: 7, lines: <path d="M1 6L3.5 1L6 6M3.5 1V6" /> },
  Asparagaceae: { size: 7, lines: <path d="M0 5L3.5 2L7 5" /> },
};

export function hatchOf(family: string): string {
  return family in HATCHES ? `url(#hatch-${family})` : 'none';
}

/** Picked now: the same green, stippled close. */
export const PICKED = 'url(#hatch-picked)';
export const SHADE = 'url(#hatch-shade)';

/** The patterns, once a page; every drawing refers to them. */
export function Hatches() {
  return (
    <svg width={0} height={0} className="absolute" aria-hidden="true">
      <defs>
        {Object.entries(HATCHES).map(([family, { size, lines }]) => (
          <pattern
            key={family}
            id={`hatch-${family}`}
            width={size}
            height={size}
            patternUnits="userSpaceOnUse"
          >
            <g fill="none" stroke="var(--leaf)" strokeWidth={0.8} opacity={0.8}>
              {lines}
            </g>
          </pattern>
        ))}
        <pattern id="hatch-picked" width={3.2} height={3.2} patternUnits="userSpaceOnUse">
          <circle cx={0.8} cy={0.8} r={0.8} fill="var(--leaf)" />
          <circle cx={2.4} cy={2.4} r={0.8} fill="var(--leaf)" />
        </pattern>
        <pattern id="hatch-beyond" width={7} height={7} patternUnits="userSpaceOnUse">
          <path d="M2 3.5H5M3.5 2V5" stroke="var(--damson)" strokeWidth={0.8} />
        </pattern>
        <pattern id="hatch-built" width={6} height={6} patternUnits="userSpaceOnUse">
          <rect width={6} height={6} fill="var(--ground)" />
          <path d="M-1 7L7 -1" stroke="var(--ink)" strokeWidth={0.6} opacity={0.6} />
        </pattern>
        <pattern id="hatch-wood" width={10} height={8} patternUnits="userSpaceOnUse">
          <rect width={10} height={8} fill="var(--bed)" />
          <path
            d="M0 2.5H6M4 6.5H10M0 6.5H1"
            stroke="var(--root)"
            strokeWidth={1.8}
            strokeLinecap="round"
          />
        </pattern>
        <pattern id="hatch-water" width={6} height={4} patternUnits="userSpaceOnUse">
          <path d="M0 2Q1.5 .5 3 2T6 2" fill="none" stroke="var(--ink)" strokeWidth={0.9} />
        </pattern>
        <pattern id="hatch-leafy" width={9} height={9} patternUnits="userSpaceOnUse">
          <path
            d="M1 3Q2.5 1 4 3M5.5 7.5Q7 5.5 8.5 7.5"
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={0.9}
          />
        </pattern>
        <pattern id="hatch-shade" width={7} height={7} patternUnits="userSpaceOnUse">
          <path d="M-1 8L8 -1" stroke="var(--ink)" strokeWidth={0.7} opacity={0.45} />
        </pattern>
      </defs>
    </svg>
  );
}
