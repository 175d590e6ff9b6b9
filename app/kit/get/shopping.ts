// A shopping list as CSV: the offers chosen, and which radios each frees.

import { csvOf } from "#core/import/index.ts";
import { purchaseOf } from "#core/kit/index.ts";
import { askForPerson } from "../../auth/session.server.ts";
import { readInClub } from "../../context.ts";
import type { Route } from "./+types/shopping";
import { loadWaiting } from "./demand.server.ts";

export const middleware: Route.MiddlewareFunction[] = [askForPerson];

export async function loader({ context, request }: Route.LoaderArgs) {
  const asked = (new URL(request.url).searchParams.get("offers") ?? "").split(",");
  const { waiting, offers, currency } = await readInClub(context, (tx, who) => loadWaiting(tx, who));
  const chosen = offers.filter((offer) => asked.includes(offer.id));
  const ids = chosen.map((offer) => offer.id);
  const purchase = purchaseOf(ids, waiting, new Map(offers.map((o) => [o.id, o.price])));
  const rows = chosen.map((offer) => ({
    item: offer.name,
    seller: offer.seller,
    price: (offer.price / 100).toFixed(2),
    currency,
    frees: waiting
      .filter((w) => purchase.units.includes(w.unit))
      .filter((w) => w.sets.some((set) => set.includes(offer.id) && set.every((one) => ids.includes(one))))
      .map((w) => w.tag)
      .join(" "),
  }));
  const body = csvOf(rows, ["item", "seller", "price", "currency", "frees"]);
  return new Response(body, {
    headers: {
      "Content-Type": "text/csv; charset=utf-8",
      "Content-Disposition": 'attachment; filename="shopping.csv"',
    },
  });
}
