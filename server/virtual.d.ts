// What the build gives to the server.
declare module "virtual:react-router/server-build";
