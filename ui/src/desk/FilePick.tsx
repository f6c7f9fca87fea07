import Button from "@mui/material/Button";
import { useRef } from "react";

interface Props {
  label: string;
  accept: string;
  onFile: (file: File) => void;
}

/** A file from this machine; the same one can be picked again after it was mended. */
export function FilePick({ label, accept, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="outlined" onClick={() => input.current?.click()}>{label}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        tabIndex={-1}
        style={{ position: "absolute", width: 1, height: 1, opacity: 0 }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
