import Box from "@mui/material/Box";
import { price } from "./format";

/** What is paid in the end, beside a price without tax; nothing where there is no tax. */
export function WithTax({ net, gross }: { net: number; gross: number }) {
  if (net === gross) return null;
  return <Box sx={{ display: "flex", justifyContent: "space-between", fontSize: 15 }}><span>with tax</span><span>{price(gross)}</span></Box>;
}
