/** The catalogue format as JSON Schema, as far as forms are made of it. */
export interface Shape {
  $ref?: string;
  type?: string | string[];
  enum?: unknown[];
  properties?: Record<string, Shape>;
  additionalProperties?: Shape | boolean;
  items?: Shape;
  prefixItems?: Shape[];
  oneOf?: Shape[];
  allOf?: { if: { properties?: { kind?: { const?: string } } }; then: Shape }[];
  required?: string[];
  description?: string;
}

export type Value = string | number | boolean | null | undefined | Value[] | { [key: string]: Value };
export type Entry = { [key: string]: Value };
export type Step = string | number;

export const isEntry = (value: Value): value is Entry => typeof value === "object" && value !== null && !Array.isArray(value);

/** What it refers to filled in; of several kinds the one that the value is. */
export function whole(shape: Shape, root: Shape & { $defs?: Record<string, Shape> }, value?: Value): Shape {
  const found = shape.$ref ? (root.$defs?.[shape.$ref.split("/").pop()!] ?? {}) : shape;
  if (isEntry(value) && found.oneOf && !found.properties) return { ...found, ...(found.oneOf.find((one) => one.required?.every((key) => key in value)) ?? {}) };
  const kind = isEntry(value) ? found.allOf?.find((one) => one.if.properties?.kind?.const === value["kind"]) : undefined;
  return kind ? { ...found, properties: { ...found.properties, ...kind.then.properties } } : found;
}

const types = (shape: Shape) => [shape.type].flat();

export type Field = "words" | "choice" | "yes" | "part" | "rows" | "points";

/** How a value is written: in one field of text, by choice, or as a part of its own. */
export function fieldOf(shape: Shape, root: Shape): Field {
  if (shape.enum) return "choice";
  if (types(shape).includes("boolean")) return "yes";
  if (types(shape).includes("array")) {
    const items = shape.items ? whole(shape.items, root) : {};
    if (items.prefixItems) return "points";
    return types(items).includes("object") || items.oneOf || items.allOf ? "rows" : "words";
  }
  return types(shape).includes("object") && shape.properties && !hasPairs(shape) ? "part" : "words";
}

/** "key: value" pairs of any key. */
const hasPairs = (shape: Shape) => typeof shape.additionalProperties === "object";

const NAMES = ["id", "number", "designation", "slot", "group", "tighten", "part", "who"];

/** What a row is called by: its name, or its place. */
export function stepOf(row: Value, at: number): Step {
  if (Array.isArray(row)) return typeof row[0] === "string" ? row[0] : at;
  if (!isEntry(row)) return at;
  const key = NAMES.find((name) => typeof row[name] === "string");
  return key ? (row[key] as string) : at;
}

export const nameKey = (shape: Shape): string => NAMES.find((name) => shape.properties?.[name]) ?? "id";

/** As it is typed: "18, 20", "plunger_mm: 18; from: new". */
export function shown(value: Value): string {
  if (value === null || value === undefined) return "";
  if (Array.isArray(value)) return value.map((one) => (Array.isArray(one) || isEntry(one) ? `(${shown(one)})` : shown(one))).join(", ");
  if (isEntry(value)) return Object.entries(value).map(([key, one]) => `${key}: ${shown(one)}`).join("; ");
  if (typeof value === "boolean") return value ? "yes" : "no";
  return String(value);
}

export const plain = (key: string) => key.replace(/_mm$/, ", mm").replaceAll("_", " ");
