/** A page of the application, by its address. */
export type Route = { id: 'home' } | { id: 'project'; project: string };

/** All pages, with the form of their addresses. */
export const routes = [
  { id: 'home', address: '/' },
  { id: 'project', address: '/project/:project' },
] as const satisfies { id: Route['id']; address: string }[];

const PROJECT = /^\/project\/(\d+)$/;

/** The page of an address; home for one that is of none. */
export function routeOf(path: string): Route {
  const project = PROJECT.exec(path)?.[1];
  return project ? { id: 'project', project } : { id: 'home' };
}

export const addressOf = (route: Route): string => (route.id === 'home' ? '/' : `/project/${route.project}`);
