// The rooms of the kit area.
import { AreaTabs } from "../ui/area-tabs.tsx";

const TABS = [
  { key: "board", to: "/kit", name: "What works with what" },
  { key: "own", to: "/kit/own", name: "Inventory" },
  { key: "bluetooth", to: "/kit/bluetooth", name: "Bluetooth" },
  { key: "which", to: "/kit/which-lead", name: "Which lead is this?" },
  { key: "get", to: "/kit/get", name: "What to get" },
] as const;

export const KitTabs = ({ here }: { readonly here: (typeof TABS)[number]["key"] }) => (
  <AreaTabs area="Kit" tabs={TABS} here={here} />
);
