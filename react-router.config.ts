// Framework settings; the v8 flags are on so that the next major version is no rewrite.
import type { Config } from "@react-router/dev/config";

export default {
  ssr: true,
  // All addresses are known from the start: found one by one, answers to fast typing could overtake each other.
  routeDiscovery: { mode: "initial" },
  future: {
    v8_middleware: true,
    v8_splitRouteModules: true,
    v8_viteEnvironmentApi: true,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
} satisfies Config;
