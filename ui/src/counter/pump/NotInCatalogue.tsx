import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api, told } from "../../api/client";
import type { TicketView } from "../../api/types";
import { ProblemAlert } from "../../shell/ProblemAlert";

/** Said instead of a wrong guess, with a way to keep what was seen. */
export function NotInCatalogue({ id, found }: { id: number; found: TicketView["found"] }) {
  const record = useMutation({ mutationFn: () => told(api.POST("/api/sightings", { body: { ticket_id: id } })) });
  return (
    <Box role="status" sx={{ border: "2px solid", borderColor: "secondary.main", borderRadius: 1, p: 1.25, mt: 1 }}>
      <strong>No pump in the catalogue fits what was seen.</strong>{" "}
      {found.nearest?.series ? `It seems to be a ${found.nearest.series} in a size that is not on file; nearest is ${found.nearest.model}. ` : found.nearest && `Nearest is ${found.nearest.model}. `}
      {found.contradictions.length > 0 && <>What differs: {found.contradictions.map((one) => one.text).join(" ")} </>}
      Strike out what is doubtful, or keep the readings for later.
      <Box sx={{ mt: 0.75 }}>
        {record.isSuccess ? "Recorded. Check the readings, or ask the maker." : (
          <Button variant="outlined" disabled={record.isPending} onClick={() => record.mutate()}>
            Not in the catalogue: record what was seen
          </Button>
        )}
        {record.error && <ProblemAlert>{record.error.message}</ProblemAlert>}
      </Box>
    </Box>
  );
}
