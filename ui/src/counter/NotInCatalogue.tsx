import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { api, Problem, told } from "../api/client";
import type { LiveTicket } from "../ticket/useTicket";

/** Said instead of a wrong guess, with a way to keep what was seen. */
export function NotInCatalogue({ ticket }: { ticket: LiveTicket }) {
  const [done, setDone] = useState<string | null>(null);
  const record = async () => {
    const { id } = await ticket.settle();
    await told(api.POST("/api/sightings", { body: { ticket_id: id } }));
    setDone("Recorded. Check the readings, or ask the maker.");
  };
  return (
    <Box role="status" sx={{ border: "2px solid", borderColor: "secondary.main", borderRadius: 1, p: 1.25, mt: 1 }}>
      <strong>No pump in the catalogue fits what was seen.</strong> Strike out what is doubtful, or keep the readings for later.
      <Box sx={{ mt: 0.75 }}>
        {done ?? (
          <Button variant="outlined" onClick={() => void record().catch((error: Problem) => setDone(error.message))}>
            Not in the catalogue: record what was seen
          </Button>
        )}
      </Box>
    </Box>
  );
}
