// My radio: what somebody has at home, in plain words; one field to say what it shows, and who to ask.
import type { PlainVerdict } from "#core/needs/index.ts";
import { readInClub } from "../context.ts";
import { ReadingField } from "../forms/reading-field.tsx";
import { Steps } from "../shared/steps.tsx";
import { TryThis } from "../shared/tools/try-this.tsx";
import { useClub } from "../ui/club.ts";
import { Go } from "../ui/go.tsx";
import { KeyCard } from "../ui/key-card.tsx";
import { Page } from "../ui/page.tsx";
import { counted } from "../ui/words/count.ts";
import { sayDate } from "../ui/words/time.ts";
import type { Route } from "./+types/mine";
import { loadMine } from "./load-mine.server.ts";

export const meta: Route.MetaFunction = () => [{ title: "My radio · Mossy Cabinet" }];

export const handle = { follows: ["need", "unit", "club"] };

export async function loader({ context }: Route.LoaderArgs) {
  return readInClub(context, loadMine);
}

const SAYS: Readonly<Record<PlainVerdict, readonly [head: string, text: string]>> = {
  "bring-it-soon": [
    "Bring it back soon.",
    "Something on it should not wait: what mends it is known, and it is done at the bench.",
  ],
  "bring-it": ["It is due for an update.", "Bring it when you can; it is done at the bench."],
  "read-it": ["Read its version, please.", "We do not know what it runs now. How to read it stands below."],
  "when-you-come": [
    "It is all right to use.",
    "Something is to be done with it the next time it is at the bench.",
  ],
  "cannot-tell": ["Nobody can tell yet.", "What it runs cannot be compared with anything we know."],
  "all-right": ["It is all right.", "It runs what it should."],
};
const MARK: Readonly<Record<PlainVerdict, string>> = {
  "bring-it-soon": "hatch border-rust",
  "bring-it": "border-brass",
  "read-it": "border-dotted border-quiet",
  "when-you-come": "border-primary",
  "cannot-tell": "border-dotted border-quiet",
  "all-right": "border-primary",
};

export default function Mine({ loaderData }: Route.ComponentProps) {
  const { radios, keepers, more } = loaderData;
  const [only] = radios;
  return (
    <Page title={radios.length > 1 ? "My radios" : only ? `My radio, ${only.tag}` : "My radio"}>
      {radios.length === 0 && (
        <div className="doubt max-w-xl p-5">
          <p className="text-lg">You have no radio of the club with you, as far as the cabinet knows.</p>
          <p className="mt-2">
            <Go to="/cabinet" className="link">
              See what is in the cabinet
            </Go>
          </p>
        </div>
      )}
      <div className="flex flex-col gap-8">
        {radios.map((radio) => (
          <Radio
            key={radio.id}
            radio={radio}
            alone={radios.length === 1}
            like={radios.find(({ model, how }) => model === radio.model && how?.title === radio.how?.title)}
          />
        ))}
      </div>
      {more > 0 && <p className="mt-4 text-quiet">And {counted(more, "more radio")}.</p>}
      <div className="mt-8 max-w-xl">
        <TryThis offered={loaderData.tries} />
      </div>
      <section aria-labelledby="ask" className="mt-8 max-w-xl">
        <h2 id="ask">Whom to ask</h2>
        {keepers.length === 0 && <p className="mt-1 text-quiet">You are the only keeper yourself.</p>}
        <ul className="mt-1">
          {keepers.map(({ name, email }) => (
            <li key={name} className="py-1">
              {name}
              {email && (
                <>
                  {", "}
                  <a href={`mailto:${email}`} className="link">
                    {email}
                  </a>
                </>
              )}
            </li>
          ))}
        </ul>
      </section>
    </Page>
  );
}

type Shown = Route.ComponentProps["loaderData"]["radios"][number];

/** `like`: the first that is read in the same way; it may be this one. */
function Radio(props: { readonly radio: Shown; readonly alone: boolean; readonly like: Shown | undefined }) {
  const { radio, alone, like } = props;
  const { locale, today } = useClub();
  const { tag, model, verdict, runs, dueBack, how } = radio;
  const [head, text] = SAYS[verdict];
  const late = dueBack !== null && dueBack < today;
  return (
    <section
      aria-label={`Radio ${tag}`}
      className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
    >
      <div className="flex flex-col gap-4">
        <div className={`border-l-8 pl-4 ${MARK[verdict]}`}>
          {!alone && <p className="tag text-lg">{tag}</p>}
          <p className="font-serif text-2xl font-bold">{head}</p>
          <p>{text}</p>
          <p className="text-quiet">
            {model}
            {runs && (
              <>
                ; it ran <span className="ver">{runs.raw}</span>
                {runs.on && ` on ${sayDate(runs.on, locale, today)}`}
              </>
            )}
            .
          </p>
        </div>
        <p className={late ? "hatch w-fit border border-rust px-3 py-1 font-semibold" : ""}>
          {dueBack === null
            ? "Nobody has said when it is due back."
            : late
              ? `It was due back on ${sayDate(dueBack, locale, today)}.`
              : `It is due back on ${sayDate(dueBack, locale, today)}.`}
        </p>
        <ReadingField tag={tag} components={radio.components} />
        <p>
          <Go to={`/units/${encodeURIComponent(tag)}`} className="link text-sm">
            All that is known of it
          </Go>
        </p>
      </div>
      {how && like && like !== radio ? (
        <p className="h-fit text-quiet">
          Its version is read like that of <span className="tag">{like.tag}</span>, above.
        </p>
      ) : how ? (
        <div>
          <h2 className="mb-2">{how.title}</h2>
          {how.layout && (
            <div className="sheet mb-3 max-w-sm p-3">
              <KeyCard
                layout={how.layout}
                step={how.steps.find((step) => step.kind === "hold" || step.kind === "press")}
              />
            </div>
          )}
          <Steps steps={how.steps} />
        </div>
      ) : (
        <p className="doubt h-fit w-fit p-4">Nobody has written down yet how its version is read.</p>
      )}
    </section>
  );
}
