// The pages before the door: sign-in and first visit.
import type { ReactNode } from "react";

export function AuthPage(props: {
  readonly title: string;
  readonly says?: string;
  readonly children: ReactNode;
}) {
  return (
    <main id="work" className="mx-auto grid min-h-dvh max-w-md content-center p-6">
      <p className="cut mb-8 w-fit border border-brass bg-plate px-3 py-1.5 font-serif font-bold">
        Mossy Cabinet
      </p>
      <h1>{props.title}</h1>
      {props.says && <p className="mt-1 mb-5 text-quiet">{props.says}</p>}
      {props.children}
    </main>
  );
}
