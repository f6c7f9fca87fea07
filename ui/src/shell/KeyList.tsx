import Box from "@mui/material/Box";
import { keysByPlace } from "./keys";

/** Every key that does something, by place. */
export const KeyList = () => (
  <Box component="section" aria-label="Keys" sx={{ columns: { xs: 1, md: 2 }, columnGap: 3, fontSize: 15 }}>
    {keysByPlace().map(([place, keys]) => (
      <Box key={place} sx={{ breakInside: "avoid", mb: 1 }}>
        <strong>{place}</strong>
        <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "70px 1fr", m: 0, rowGap: 0.25 }}>
          {keys.map((one) => (
            <Box key={one.key} sx={{ display: "contents" }}>
              <dt><kbd>{one.shown ?? one.key}</kbd></dt>
              <Box component="dd" sx={{ m: 0 }}>{one.does}</Box>
            </Box>
          ))}
        </Box>
      </Box>
    ))}
  </Box>
);
