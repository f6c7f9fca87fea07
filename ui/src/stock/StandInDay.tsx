import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";

type Day = components["schemas"]["SupplierDay"]["mood"];

/** The supplier that ships with the demo is none: its day can be chosen. */
export function StandInDay({ day }: { day: components["schemas"]["SupplierDayTold"] }) {
  const stale = useStale();
  const choosing = useMutation({
    mutationFn: (mood: Day) => told(api.POST("/api/supplier/day", { body: { mood } })),
    onSuccess: () => stale("purchase"),
  });
  return (
    <TextField select size="small" label="the stand-in's day" value={choosing.data?.mood ?? day.mood} onChange={(event) => choosing.mutate(event.target.value as Day)} sx={{ width: 170, my: 1 }}>
      {day.moods.map((mood) => <MenuItem key={mood} value={mood}>{mood}</MenuItem>)}
    </TextField>
  );
}
