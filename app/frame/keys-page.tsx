// What each area is for, and the keys, as a page: for those without scripts.
import { Link } from "react-router";
import { Page } from "../ui/page.tsx";
import { HELP } from "./help.ts";
import { KeyTable } from "./keys.tsx";

export const meta = () => [{ title: "Help · Mossy Cabinet" }];

export default function KeysPage() {
  return (
    <Page
      title="Help"
      acts={
        <Link className="link self-center" to="/manual">
          The manual
        </Link>
      }
    >
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <dl className="sheet divide-y divide-line">
          {HELP.map(([to, name, says]) => (
            <div key={to} className="px-4 py-2.5">
              <dt className="font-semibold">{name}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </dl>
        <section>
          <h2 className="mb-1.5">Keys</h2>
          <div className="sheet">
            <KeyTable />
          </div>
        </section>
      </div>
    </Page>
  );
}
