// The keys as a page, for those without scripts.
import { Page } from "../ui/page.tsx";
import { KeyTable } from "./keys.tsx";

export default function KeysPage() {
  return (
    <Page title="Keys">
      <div className="sheet max-w-2xl">
        <KeyTable />
      </div>
    </Page>
  );
}
