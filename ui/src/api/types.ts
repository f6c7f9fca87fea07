import type { components } from "./schema";

type Schemas = components["schemas"];

export type Answer = Schemas["Answer"];
export type Candidate = Schemas["Candidate"];
export type Customer = Schemas["Customer"];
export type Difference = Schemas["Difference"];
export type Identification = Schemas["Identification"];
export type KitPlan = Schemas["KitPlan"];
export type Order = Schemas["Order"];
export type Picture = Schemas["Picture"];
export type Plan = Schemas["Plan"];
export type Question = Schemas["Question"];
export type ReadingInput = Schemas["ReadingInput"];
export type Stack = Schemas["Stack"];
export type Ticket = Schemas["Ticket"];
export type TicketState = Schemas["TicketState"];
export type Tightening = Schemas["Tightening"];
export type Vocabulary = Schemas["Vocabulary"];
export type WorkArea = Schemas["Scope"][number];
