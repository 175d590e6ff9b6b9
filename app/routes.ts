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
    route("find", "./frame/find.tsx"),
  ]),
  route("units/:tag/weigh", "./unit/weigh.ts"),
] satisfies RouteConfig;
