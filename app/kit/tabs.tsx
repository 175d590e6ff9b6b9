// The rooms of the kit area.
import { Link } from "react-router";

const TABS = [
  { key: "board", to: "/kit", name: "What works with what" },
  { key: "own", to: "/kit/own", name: "Inventory" },
  { key: "which", to: "/kit/which-lead", name: "Which lead is this?" },
  { key: "get", to: "/kit/get", name: "What to get" },
] as const;

export function KitTabs({ here }: { readonly here: (typeof TABS)[number]["key"] }) {
  return (
    <nav aria-label="Kit" className="tabs tabs-border">
      {TABS.map((tab) => (
        <Link
          key={tab.key}
          to={tab.to}
          aria-current={tab.key === here ? "page" : undefined}
          className={`tab h-8 px-2.5 font-semibold ${tab.key === here ? "tab-active" : "text-quiet"}`}
        >
          {tab.name}
        </Link>
      ))}
    </nav>
  );
}
