import Box from "@mui/material/Box";
import { Link, useParams } from "react-router";
import { useVocabulary } from "../api/queries";
import { date, day } from "../shell/format";
import { Page } from "../shell/Page";
import { Small } from "../shell/text";
import { NewPump, PumpFile } from "./PumpFile";
import { type CustomerFile, useCustomerFile } from "./useCustomer";
import { WhoTheyAre } from "./WhoTheyAre";

/** A customer's file: how they are reached, each pump with what it got and when it is due, and their orders. */
export function CustomerPage() {
  const id = Number(useParams().id);
  const { data: file, error } = useCustomerFile(id);
  return (
    <Page title={file?.name ?? "Customer"} head={file ? file.name : ""} kind="text">
      {error && <p>{error.message}</p>}
      {file && (
        <>
          <WhoTheyAre key={file.id} file={file} />
          {file.tools.length > 0 && <p><strong>Has of ours:</strong> {file.tools.map((tool) => `${tool.tag} ${tool.name} until ${date(tool.until!)}`).join(", ")}</p>}
          <h2>Their pumps</h2>
          {file.pumps.map((pump) => <PumpFile key={pump.id} file={file} pump={pump} />)}
          <NewPump file={file} />
          <h2>Their orders</h2>
          <Jobs file={file} />
        </>
      )}
    </Page>
  );
}

function Jobs({ file }: { file: CustomerFile }) {
  const names = useVocabulary().data?.order_states ?? [];
  if (file.orders.length === 0) return <p>None yet.</p>;
  return (
    <>
      {file.orders.map((job) => (
        <Box key={job.id} component="article" sx={{ borderTop: "1px solid", borderColor: "divider", py: 0.75 }}>
          <Link to={`/orders/${job.id}`}><strong>order {job.id}</strong></Link> · {day(job.at)} · {names.find((one) => one.id === job.state)?.name} · {job.model}: {job.work.join(", ")}
          <Small>{job.parts.join(", ")}</Small>
          {job.found.length > 0 && <Small>Found: {job.found.join("; ")}.</Small>}
          {job.again.length > 0 && <Small>{job.again.join("; ")}.</Small>}
          {job.torques.map((one) => <Small key={one.name}>{one.name}, {one.on}, {one.who.join(", ")}: reached {one.reached.join(", ")}{one.flagged.length > 0 && <strong> · {one.flagged.join(" ")}</strong>}</Small>)}
        </Box>
      ))}
    </>
  );
}
