// Plans live in the browser; there is nothing to render on the server.
export const ssr = false;
