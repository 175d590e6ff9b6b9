// Every address of the application, in the order of the areas.
import { index, layout, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  index("./frame/home.ts"),
  route("first", "./door/first.tsx"),
  route("sign-in", "./door/sign-in.tsx"),
  route("sign-out", "./door/sign-out.ts"),
  layout("./frame/frame.tsx", [
    route("cabinet", "./cabinet/cabinet.tsx"),
    route("units/:tag", "./unit/unit.tsx"),
    route("due", "./due/due.tsx"),
    route("bench", "./frame/later.tsx", { id: "bench" }),
    route("kit", "./frame/later.tsx", { id: "kit" }),
    route("codeplugs", "./frame/later.tsx", { id: "codeplugs" }),
    route("models", "./models/models.tsx"),
    route("models/:model", "./models/dossier.tsx"),
    route("models/:model/releases/:release", "./models/release.tsx"),
    route("club", "./club/club.tsx"),
    route("import", "./import/import.tsx"),
    route("log", "./log/log.tsx"),
    route("find", "./frame/find.tsx"),
    route("keys", "./frame/keys-page.tsx"),
    route("me", "./frame/me.tsx"),
    route("kept", "./door/kept.tsx"),
  ]),
  route("out/:file", "./club/out.ts"),
  route("units/:tag/weigh", "./unit/weigh.ts"),
] satisfies RouteConfig;
