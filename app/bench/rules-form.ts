// The rules of the bench as their form has them.
type Rules = { readonly silence: number; readonly clean: number };

export const drawnRules = ({ silence, clean }: Rules) => ({ silence: String(silence), clean: String(clean) });

export const typedRules = (form: FormData): Rules => ({
  silence: Number(form.get("silence") || "0"),
  clean: Number(form.get("clean") || "0"),
});
