import Button from "@mui/material/Button";
import type { Order } from "../api/types";
import { packs, price } from "../shell/format";
import { Table } from "../shell/Table";
import type { OrderSteps } from "./useOrderSteps";

type Good = Order["goods"][number];

function standing(good: Good): string {
  const told = [
    good.bagged > 0 && `${good.bagged} in the bag${good.checked > 0 ? `, ${good.checked} checked` : ""}`,
    good.handed > 0 && `${good.handed} handed over`,
    good.returned > 0 && `${good.returned} came back`,
    good.open - good.short > 0 && `${good.open - good.short} to pick`,
    good.short > 0 && `${good.short} to come${good.comes ? ` ${good.comes}` : ""}`,
  ];
  return told.filter(Boolean).join(" · ");
}

const called = (good: Good) => `${good.name}${good.along > 0 ? (good.along === good.wanted ? ", along in case" : `, ${good.along} of them along in case`) : ""}`;

/** What is in the order and where its pieces are, in the order of the shelves. */
export function GoodsList({ steps }: { steps: OrderSteps }) {
  const { order } = steps;
  const goods = [...order.goods].sort((one, two) => (one.shelf ?? "").localeCompare(two.shelf ?? "") || one.number.localeCompare(two.number));
  const back = order.may.includes("put_back");
  return (
    <Table
      name="Goods"
      headings={["shelf", "how many", "number", "what", "where they are", "each", ""]}
      right={[5]}
      rows={goods.map((good) => [
        <strong key="shelf">{good.shelf}</strong>, packs({ quantity: good.wanted, pack: good.pack }), good.number, called(good), standing(good), price(good.price_cents),
        back && good.bagged > 0 && <Button key="back" size="small" onClick={() => void steps.step({ kind: "put_back", number: good.number, quantity: 1 })} aria-label={`Put one ${good.number} back`}>put back</Button>,
      ])}
    />
  );
}
