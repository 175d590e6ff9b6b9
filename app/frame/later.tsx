// Areas that are not built yet say in one sentence what will be there.
import { useLocation } from "react-router";
import { Page } from "../ui/page.tsx";

const LATER: Record<string, { readonly title: string; readonly says: string }> = {
  "/codeplugs": {
    title: "Codeplugs",
    says: "Here it will be kept what is programmed into which radio, and what was in it before.",
  },
};

export default function Later() {
  const { pathname } = useLocation();
  const area = LATER[pathname] ?? { title: "Later", says: "" };
  return (
    <Page title={area.title}>
      <p className="doubt max-w-xl p-5 text-lg">{area.says} It is not built yet.</p>
    </Page>
  );
}
