import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import type { Plan, TicketView } from "../../api/types";
import { OutsideDrawing } from "../../drawing/OutsideDrawing";

interface Props {
  names: { id: string; name: string }[];
  state: TicketView["ticket"];
  plan: Plan | null;
  onChange: (areas: string[], positions: Record<string, string[]>) => void;
}

/** Agreed work, as a whole or at single positions. */
export function Areas({ names, state, plan, onChange }: Props) {
  const has = (id: string) => plan?.areas.find((one) => one.id === id);
  const usual = names.filter((one) => has(one.id) || state.scope.includes(one.id) || plan === null);
  const agree = (id: string, wanted: boolean) => {
    const areas = wanted ? [...state.scope, id] : state.scope.filter((one) => one !== id);
    onChange(areas, Object.fromEntries(Object.entries(state.positions).filter(([area]) => areas.includes(area))));
  };
  const place = (id: string, position: string, wanted: boolean) => {
    const all = has(id)?.positions ?? [];
    const now = state.positions[id] ?? all;
    const left = all.filter((one) => (one === position ? wanted : now.includes(one)));
    const others = Object.fromEntries(Object.entries(state.positions).filter(([area]) => area !== id));
    if (left.length === 0) onChange(state.scope.filter((one) => one !== id), others);
    else onChange(state.scope, left.length === all.length ? others : { ...others, [id]: left });
  };
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0, minWidth: 0 }}>
      <legend style={{ fontWeight: 700 }}>Agreed work</legend>
      {usual.map((area) => {
        const taken = state.scope.includes(area.id);
        const positions = has(area.id)?.positions ?? [];
        return (
          <Box key={area.id}>
            <FormControlLabel label={area.name} control={<Checkbox size="small" checked={taken} onChange={(event) => agree(area.id, event.target.checked)} />} />
            {plan?.added[area.id] && <span> goes with it: {plan.added[area.id]}</span>}
            {plan?.left_out[area.id] && <span> left out, though {plan.left_out[area.id]}</span>}
            {plan?.not_on_file.includes(area.id) && <span> nothing on file for this pump: see the maker's manual</span>}
            {taken && positions.length > 1 && (
              <Box role="group" aria-label={`${area.name}: where`} sx={{ pl: 4, mt: -0.75 }}>
                <Which plan={plan} positions={positions} chosen={state.positions[area.id] ?? positions} onPlace={(one, wanted) => place(area.id, one, wanted)} />
                {positions.map((one) => (
                  <FormControlLabel key={one} label={one} sx={{ "& .MuiFormControlLabel-label": { fontSize: 14 } }}
                    control={<Checkbox size="small" sx={{ p: 0.25 }} checked={(state.positions[area.id] ?? positions).includes(one)} onChange={(event) => place(area.id, one, event.target.checked)} />} />
                ))}
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

interface WhichProps {
  plan: Plan | null;
  positions: string[];
  chosen: string[];
  onPlace: (position: string, wanted: boolean) => void;
}

/** The side of the pump on which most of these positions are seen, to be chosen there. */
function Which({ plan, positions, chosen, onPlace }: WhichProps) {
  const seen = (plan?.outside ?? []).map((view) => ({ view, on: positions.filter((one) => view.marks.some((mark) => mark.at.length === 1 && mark.at[0] === one)).length }));
  const best = seen.reduce<(typeof seen)[number] | null>((most, one) => (one.on > (most?.on ?? 0) ? one : most), null);
  if (!best) return null;
  return <OutsideDrawing view={best.view} width={230} height={130} label={`Which: ${positions.join(", ")}`} positions={positions} chosen={chosen} onPosition={(one) => onPlace(one, !chosen.includes(one))} />;
}
