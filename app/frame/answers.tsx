// Keeps the answer to a form until another page is there. The router would drop it as soon as the page is loaded again, which somebody else’s change is enough for.
import { type ReactNode, use, useMemo, useState } from "react";
import { UNSAFE_DataRouterStateContext as RouterState } from "react-router";

export function KeepAnswers({ children }: { readonly children: ReactNode }) {
  const state = use(RouterState);
  const answer = state?.actionData ?? undefined;
  const page = state?.location.key;
  const [last, setLast] = useState({ page, answer });
  const gone = last.page !== page;
  if (gone || (answer !== undefined && answer !== last.answer)) setLast({ page, answer });
  const kept = gone ? answer : (answer ?? last.answer);
  const told = useMemo(() => state && { ...state, actionData: kept ?? null }, [state, kept]);
  return <RouterState value={told}>{children}</RouterState>;
}
