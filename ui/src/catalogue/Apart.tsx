import type { components } from "../api/schema";
import { Table } from "../shell/Table";

/** One column for each model, one row for each trait in which they differ. */
export const Apart = ({ apart }: { apart: components["schemas"]["SeriesPage"]["apart"] }) => (
  <Table name="What tells the models apart" headings={["", ...apart.models]} rows={apart.rows.map((row) => [row.name, ...row.values.map((value) => value ?? "–")])} />
);
