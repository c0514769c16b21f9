import type {
  EditRequest,
  GrowthReport,
  Label,
  NextYearRequest,
  SettingOutAnswer,
} from './schema.gen';

export type * from './schema.gen';

export type Draft = NextYearRequest['draft'];
export type Edit = EditRequest['edit'];
export type Growth = GrowthReport;
export type PlantLabel = Label;
export type SettingOut = SettingOutAnswer;
