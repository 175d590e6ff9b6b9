// The rooms of an area, as tabs.
import { Link } from "react-router";

export type AreaTab = { readonly key: string; readonly to: string; readonly name: string };

export function AreaTabs(props: {
  readonly area: string;
  readonly tabs: readonly AreaTab[];
  readonly here: string;
}) {
  return (
    <nav aria-label={props.area} className="tabs tabs-border">
      {props.tabs.map((tab) => (
        <Link
          key={tab.key}
          to={tab.to}
          aria-current={tab.key === props.here ? "page" : undefined}
          className={`tab h-8 px-2.5 font-semibold ${tab.key === props.here ? "tab-active" : "text-quiet"}`}
        >
          {tab.name}
        </Link>
      ))}
    </nav>
  );
}
