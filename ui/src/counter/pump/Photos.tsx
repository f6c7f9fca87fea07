import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Dialog from "@mui/material/Dialog";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useRef, useState } from "react";
import { api, told } from "../../api/client";
import type { OutsideView } from "../../api/types";
import { FromOutside } from "../../drawing/FromOutside";
import { day } from "../../shell/format";
import { ProblemAlert } from "../../shell/ProblemAlert";
import { shrunk } from "./shrunk";

interface Props {
  ticket: number;
  /** The leading pump from outside, to compare with. */
  outside: OutsideView[];
  pump: string | null;
}

/** Photos of the pump or of an old part, kept with the ticket: made small here, without place and time. One is opened beside the drawing. */
export function Photos({ ticket, outside, pump }: Props) {
  const cache = useQueryClient();
  const [open, setOpen] = useState<number | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const key = ["photos", ticket];
  const { data: photos = [] } = useQuery({ queryKey: key, queryFn: () => told(api.GET("/api/tickets/{id}/photos", { params: { path: { id: ticket } } })) });
  const adding = useMutation({
    mutationFn: async (file: File) => {
      const body = await shrunk(file);
      return told(api.POST("/api/tickets/{id}/photos", { params: { path: { id: ticket } }, body: body as unknown as string, bodySerializer: (bytes) => bytes as unknown as Blob, headers: { "Content-Type": "application/octet-stream" } }));
    },
    onSuccess: (all) => cache.setQueryData(key, all),
  });
  const removing = useMutation({
    mutationFn: (id: number) => told(api.POST("/api/photos/{id}", { params: { path: { id } }, body: {} })),
    onSuccess: () => {
      setOpen(null);
      void cache.invalidateQueries({ queryKey: key });
    },
  });
  const chosen = (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = "";
    if (file) adding.mutate(file);
  };
  const problem = adding.error ?? removing.error;
  return (
    <Box component="section" aria-label="Photos" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 1 }}>
      {photos.map((photo, index) => (
        <ButtonBase key={photo.id} onClick={() => setOpen(photo.id)} aria-label={`photo ${index + 1}, ${day(photo.at)}`}>
          <img src={`/api/photos/${photo.id}`} alt="" style={{ height: 64, display: "block" }} />
        </ButtonBase>
      ))}
      <Button size="small" variant="outlined" disabled={adding.isPending} onClick={() => file.current?.click()}>Add a photo</Button>
      <input ref={file} hidden type="file" accept="image/*" capture="environment" aria-label="Photo" onChange={chosen} />
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {open !== null && (
        <Dialog open onClose={() => setOpen(null)} maxWidth={false} aria-label="Photo beside the drawing" slotProps={{ paper: { sx: { p: 2, maxWidth: "96vw" } } }}>
          <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "start" }}>
            <img src={`/api/photos/${open}`} alt="What the customer sent" style={{ maxHeight: "78vh", maxWidth: "min(640px, 90vw)" }} />
            {pump && outside.length > 0 && <Box sx={{ maxWidth: 460 }}><strong>{pump}</strong><FromOutside views={outside} pump={pump} height={150} /></Box>}
          </Box>
          <Box sx={{ display: "flex", gap: 1, mt: 1 }}>
            <Button autoFocus variant="contained" onClick={() => setOpen(null)}>Close</Button>
            <Button onClick={() => removing.mutate(open)}>Take it off the ticket</Button>
          </Box>
        </Dialog>
      )}
    </Box>
  );
}
