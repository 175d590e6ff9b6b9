// The manual, as it stands in docs/: in the order of the work.
import { marked } from "marked";
import text from "../../docs/manual.md?raw";
import { Page } from "../ui/page.tsx";
import type { Route } from "./+types/manual";

export const meta: Route.MetaFunction = () => [{ title: "Manual · Mossy Cabinet" }];

export async function loader() {
  // Ours, and of this release: it holds nothing that somebody typed.
  const [, ...rest] = text.split("\n");
  return { html: await marked.parse(rest.join("\n")) };
}

export default function Manual({ loaderData }: Route.ComponentProps) {
  return (
    <Page title="How to work with the cabinet">
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: a file of our own */}
      <div className="manual max-w-3xl" dangerouslySetInnerHTML={{ __html: loaderData.html }} />
    </Page>
  );
}
