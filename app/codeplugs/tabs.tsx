// The rooms of the codeplugs area.
import { AreaTabs } from "../ui/area-tabs.tsx";

const TABS = [
  { key: "carried", to: "/codeplugs", name: "Who carries what" },
  { key: "plan", to: "/codeplugs/plan", name: "The plan" },
  { key: "repeaters", to: "/codeplugs/repeaters", name: "Repeaters" },
  { key: "identities", to: "/codeplugs/identities", name: "IDs" },
  { key: "scan", to: "/codeplugs/scan", name: "Scanning" },
  { key: "files", to: "/codeplugs/files", name: "Files" },
] as const;

export const CodeplugTabs = ({ here }: { readonly here: (typeof TABS)[number]["key"] }) => (
  <AreaTabs area="Codeplugs" tabs={TABS} here={here} />
);
