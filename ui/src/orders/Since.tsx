import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, told } from "../api/client";
import { Muted } from "../shell/text";

/** Which revision of its series the order was made on, and what it would say otherwise today. */
export function Since({ id, version }: { id: number; version: number }) {
  const { data } = useQuery({ queryKey: ["since", id, version], queryFn: () => told(api.GET("/api/orders/{id}/since", { params: { path: { id } } })) });
  if (!data?.series) return null;
  const series = <Link to={`/catalogue/series/${data.series}`}>the series</Link>;
  const made = `Made on revision ${data.revision ?? "unknown"}`;
  if (data.revision === data.newest) return <Muted>{made} of {series}, which is the one on file.</Muted>;
  return (
    <details>
      <summary style={{ fontWeight: 400 }}>{made} of its series; {data.newest === null ? "it is not on file any more" : `on file is revision ${data.newest}`}. Today {data.effects.length === 0 ? "nothing" : `${data.effects.length} things`} would be otherwise.</summary>
      <p>Look at {series}.</p>
      <ul>{data.effects.map((one, at) => <li key={at}>{one.danger && <strong>{one.danger}: </strong>}{one.kind} {one.what}: {one.was ?? "nothing"} → {one.is ?? "nothing"}</li>)}</ul>
    </details>
  );
}
