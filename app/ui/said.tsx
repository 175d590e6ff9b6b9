// What an act answered, and where what stands in its way is put right. It stays in sight wherever on the page the form was that asked for it.
import { Link } from "react-router";

type Answer = {
  readonly ok: boolean;
  readonly says: string;
  readonly cure?: { readonly to: string; readonly says: string };
};

export function Said({ answer: { ok, says, cure } }: { readonly answer: Answer }) {
  return (
    <p
      role="status"
      className={`sheet sticky top-0 z-20 mb-3 p-3 font-semibold ${ok ? "" : "border-l-4 border-rust text-rust"}`}
    >
      {says}
      {cure && (
        <>
          {" "}
          <Link className="link inline-block" to={cure.to}>
            {cure.says}
          </Link>
        </>
      )}
    </p>
  );
}
