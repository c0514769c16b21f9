import type { components } from './schema.gen';

type Schemas = components['schemas'];

export type GardenState = Schemas['GardenState'];
export type GardenChange = Schemas['GardenChange'];
export type Head = Schemas['Head'];
export type Plan = Schemas['Plan'];
export type Place = Schemas['Place'];
export type Planting = Schemas['Planting'];
export type Report = Schemas['Report'];
export type PlaceReport = Schemas['PlaceReport'];
export type PlantingReport = Schemas['PlantingReport'];
export type SupportReport = Schemas['SupportReport'];
export type Growth = Schemas['GrowthReport'];
export type YearReport = Schemas['YearReport'];
export type Note = Schemas['Note'];
export type Fix = Schemas['Fix'];
export type Term = Schemas['Term'];
export type Quantiles = Schemas['Quantiles'];
export type ShelfAnswer = Schemas['ShelfAnswer'];
export type ShelfEntry = Schemas['ShelfEntry'];
export type PlaceChange = Schemas['PlaceChange'];
export type Problem = Schemas['Problem'];
export type Edit = Schemas['EditRequest']['edit'];
