import type { components } from "./schema";

type Schemas = components["schemas"];

export type Bench = Schemas["Bench"];
export type BenchFastener = Schemas["BenchFastener"];
export type BenchSection = Schemas["BenchSection"];
export type NewBenchEntry = Schemas["NewBenchEntry"];
export type CallLine = Schemas["CallLine"];
export type Candidate = Schemas["Candidate"];
export type Diagnosis = Schemas["Diagnosis"];
export type Difference = Schemas["Difference"];
export type Identification = Schemas["Identification"];
export type KitPlan = Schemas["KitPlan"];
export type NewEntry = Schemas["NewEntry"];
export type Order = Schemas["Order"];
export type Picture = Schemas["Picture"];
export type Plan = Schemas["Plan"];
export type Preview = Schemas["Preview"];
export type Question = Schemas["Question"];
export type Refit = Schemas["Refit"];
export type Section = Schemas["Section"];
export type Stack = Schemas["Stack"];
export type StackLayer = Schemas["StackLayer"];
export type TicketView = Schemas["TicketView"];
export type Tightening = Schemas["Tightening"];
export type TrayLine = Schemas["TrayLine"];
export type Upload = Schemas["Upload"];
