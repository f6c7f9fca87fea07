import { createTheme } from "@mui/material/styles";

/** Colours by day, and in the dark where the system asks for that. Everything that is drawn takes them from here. */
const day = {
  ink: "#1b2629", quiet: "#45555a", page: "#f3efe6", surface: "#fffdf8", petrol: "#0f4c52", onPetrol: "#fffdf8", rule: "#cfc7b6", faint: "#e6dfd0",
  field: "#ffffff", heard: "#e4ecea", edge: "#6b4423", bar: "#0f4c52", onBar: "#f3efe6", caution: "#ffc53d", onCaution: "#1b2629",
};
type Colours = typeof day;
const night: Colours = {
  ink: "#e9e4d8", quiet: "#b3bdbb", page: "#14191a", surface: "#1e2526", petrol: "#6fbcc0", onPetrol: "#0c1415", rule: "#4a5454", faint: "#323b3b",
  field: "#161c1d", heard: "#26393a", edge: "#d9a679", bar: "#0c363b", onBar: "#f3efe6", caution: "#ffc53d", onCaution: "#1b2629",
};

/** Where the system sets the colours. */
const system: Colours = {
  ink: "CanvasText", quiet: "CanvasText", page: "Canvas", surface: "Canvas", petrol: "CanvasText", onPetrol: "Canvas", rule: "CanvasText", faint: "Canvas",
  field: "Canvas", heard: "Canvas", edge: "CanvasText", bar: "Canvas", onBar: "CanvasText", caution: "Canvas", onCaution: "CanvasText",
};

const cssName = (name: string) => `--gimlet-${name.toLowerCase()}`;
const cssOf = (colours: Colours) => Object.fromEntries(Object.entries(colours).map(([name, value]) => [cssName(name), value]));
const live = (name: keyof Colours) => `var(${cssName(name)})`;

export const ink = live("ink");
/** What is read and written on. */
export const surface = live("surface");
export const petrol = live("petrol");
/** What is written on petrol. */
export const onPetrol = live("onPetrol");
export const rule = live("rule");
export const faint = live("faint");
/** What is typed into. */
export const field = live("field");
export const heard = live("heard");
export const quiet = live("quiet");
export const bar = live("bar");
export const onBar = live("onBar");
/** Only ever behind a caution. */
export const cautionColour = live("caution");
export const onCaution = live("onCaution");

const palette = (colours: Colours) => ({
  primary: { main: colours.petrol, contrastText: colours.onPetrol },
  secondary: { main: colours.edge },
  background: { default: colours.page, paper: colours.surface },
  text: { primary: colours.ink, secondary: colours.quiet },
  divider: colours.rule,
});

export const theme = createTheme({
  cssVariables: true,
  colorSchemes: { light: { palette: palette(day) }, dark: { palette: palette(night) } },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Atkinson Hyperlegible", sans-serif',
    fontSize: 15,
    button: { textTransform: "none", fontWeight: 700 },
    body2: { fontSize: 15 },
    caption: { fontSize: 14, color: quiet },
  },
  components: {
    MuiButton: { defaultProps: { disableElevation: true } },
    // The browser shows where the focus is by itself, on everything.
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiCssBaseline: { styleOverrides: {
      ":root": { colorScheme: "light dark", ...cssOf(day) },
      "@media (prefers-color-scheme: dark)": { ":root": cssOf(night) },
      "@media (prefers-reduced-motion: reduce)": { "*, *::before, *::after": { transitionDuration: "0s !important", animationDuration: "0s !important" } },
      ":focus-visible": { outline: `3px solid ${petrol} !important`, outlineOffset: "2px !important" },
      // A field of the library draws its own edge, twice as thick where the focus is.
      ".MuiInputBase-input:focus-visible": { outline: "none !important" },
      "header :focus-visible, header .MuiInputBase-input:focus-visible": { outline: `3px solid ${onBar} !important` },
      a: { color: petrol },
      h1: { fontSize: 20, margin: "0 0 8px" },
      h2: { fontSize: 18, margin: "8px 0 4px" },
      p: { margin: "6px 0" },
      ul: { margin: "4px 0", paddingLeft: 20 },
      "svg, img": { maxWidth: "100%" },
      summary: { fontWeight: 700, cursor: "pointer" },
      // Read by a screen reader, not seen.
      ".unseen": { position: "absolute", width: 1, height: 1, overflow: "hidden", clipPath: "inset(50%)", whiteSpace: "nowrap" },
      "@media print": {
        ":root": cssOf({ ...day, page: "#ffffff", surface: "#ffffff" }),
        ".no-print": { display: "none !important" },
        body: { background: "white !important" },
        // By night too it is dark on white.
        "body, main *": { color: `${day.ink} !important` },
        // Nothing on paper can be pressed.
        "main button, main [role=button]": { border: "none !important" },
        "main form, main summary": { display: "none !important" },
        "main details": { display: "block" },
        ".keep-together": { breakInside: "avoid" },
      },
      // Where the system sets the colours, ours are the system's, and what is filled keeps an edge of its own.
      "@media (forced-colors: active)": {
        ":root": cssOf(system),
        "button, [role=button], [role=note], section": { borderColor: "CanvasText" },
        ".MuiButtonBase-root": { color: "CanvasText !important", backgroundColor: "Canvas !important", transition: "none !important" },
        "input, select, textarea": { border: "1px solid CanvasText" } },
    } },
    MuiTextField: { styleOverrides: { root: { maxWidth: "100%" } } },
    MuiTableCell: { styleOverrides: { root: { padding: "5px 10px", borderColor: faint }, head: { fontWeight: 700 } } },
  },
});
