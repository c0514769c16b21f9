import type { EditRequest, GrowthReport, Label, SettingOutAnswer } from './schema.gen';

export type * from './schema.gen';

export type Edit = EditRequest['edit'];
export type Growth = GrowthReport;
export type PlantLabel = Label;
export type SettingOut = SettingOutAnswer;
