// What an act answered. It stays in sight wherever on the page the form was that asked for it.
export function Said({ answer }: { readonly answer: { readonly ok: boolean; readonly says: string } }) {
  return (
    <p
      role="status"
      className={`sheet sticky top-0 z-20 mb-3 p-3 font-semibold ${answer.ok ? "" : "border-l-4 border-rust text-rust"}`}
    >
      {answer.says}
    </p>
  );
}
