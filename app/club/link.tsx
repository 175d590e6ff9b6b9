// Beside a person's form: how they sign in, the link a keeper hands over, and the shelf.
import { useEffect, useState } from "react";

import { ActForm } from "../forms/act-form.tsx";

type Props = {
  readonly name: string | undefined;
  readonly shelved: boolean;
  readonly canSignIn: boolean;
  readonly hasEmail: boolean;
  /** The link just made. */
  readonly link: string | undefined;
};

export function LinkFor({ name, shelved, canSignIn, hasEmail, link }: Props) {
  if (shelved)
    return (
      <section>
        <h2 className="mb-2">On the shelf</h2>
        <Press intent="recover" words={`Take ${name} back`} />
      </section>
    );
  return (
    <section>
      <h2 className="mb-2">Signing in</h2>
      <p className="mb-3">
        {canSignIn
          ? "Signs in with the address and a password of their own. A link lets them choose a new one and ends their sessions."
          : hasEmail
            ? "Cannot sign in yet. A link lets them choose a password."
            : "Cannot sign in: there is no address. Save one first."}
      </p>
      {link && <TheLink link={link} />}
      {hasEmail && <Press intent="link" words={link ? "Make another link" : "Make a link"} />}
      <h2 className="mt-8 mb-2">The shelf</h2>
      <p className="mb-3 text-quiet">
        Gone from the lists, signed out everywhere; the history stays, and so may they come back.
      </p>
      <Press intent="shelve" words={`Put ${name} on the shelf`} />
    </section>
  );
}

function Press({ intent, words }: { readonly intent: string; readonly words: string }) {
  return (
    <ActForm>
      <button type="submit" name="intent" value={intent} className="btn btn-outline btn-primary">
        {words}
      </button>
    </ActForm>
  );
}

function TheLink({ link }: { readonly link: string }) {
  const [copied, setCopied] = useState(false);
  const [mayCopy, setMayCopy] = useState(false);
  // Without https a browser gives pages no clipboard.
  useEffect(() => setMayCopy(navigator.clipboard !== undefined), []);
  return (
    <div role="status" className="sheet mb-4 p-4">
      <label htmlFor="link" className="mb-1 block text-sm font-semibold">
        Hand this link over
      </label>
      <input
        id="link"
        readOnly
        value={link}
        onFocus={(event) => event.target.select()}
        className="input w-full font-mono text-sm"
      />
      <p className="mt-2 text-sm text-quiet">
        It works once, until tomorrow at this time, and is shown only here. Whoever has it can sign in as this
        person: give it to nobody else.
      </p>
      {mayCopy && (
        <button
          type="button"
          className="btn btn-sm mt-2"
          onClick={() => navigator.clipboard.writeText(link).then(() => setCopied(true))}
        >
          {copied ? "Copied" : "Copy it"}
        </button>
      )}
    </div>
  );
}
