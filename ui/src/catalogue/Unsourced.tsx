import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, told } from "../api/client";

const FEW = 15;

/** What nobody gives a source of, and torques that fewer than two people have read: series by series. */
export function Unsourced() {
  const { data } = useQuery({ queryKey: ["unsourced"], queryFn: () => told(api.GET("/api/unsourced")) });
  const rows = (data ?? []).filter((one) => one.places.length + one.torques_read_once.length > 0);
  if (rows.length === 0) return null;
  return (
    <details style={{ marginTop: 16 }}>
      <summary>Without a source, or read by fewer than two: {rows.length} series</summary>
      <ul>
        {rows.map((one) => (
          <li key={one.id}>
            <Link to={`/catalogue/series/${one.id}#health`}>{one.name}</Link>: {one.places.length} of {one.entries} without a source
            {one.places.length > 0 && ` (${one.places.slice(0, FEW).join(", ")}${one.places.length > FEW ? " …" : ""})`}
            {one.torques_read_once.length > 0 && `; torques not read twice: ${one.torques_read_once.join(", ").replaceAll("_", " ")}`}
          </li>
        ))}
      </ul>
    </details>
  );
}
