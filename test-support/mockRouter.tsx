import { cloneElement, isValidElement, type ReactElement, type ReactNode } from 'react';

/** expo-router without a router: links are anchors, and where a screen wants to go is remembered. */
export const went: string[] = [];
const router = {
  push: (href: string) => void went.push(href),
  replace: (href: string) => void went.push(href),
  back: () => void went.push('back'),
};
export const useRouter = () => router;
export const usePathname = () => '/';
/** What stands behind the question mark of the address, as a test sets it. */
export const asked: Record<string, string> = {};
export const useLocalSearchParams = () => asked;
export function Link({ href, asChild, children, ...rest }: { href: string; asChild?: boolean; children: ReactNode }) {
  if (asChild && isValidElement(children)) return cloneElement(children as ReactElement<{ href: string }>, { href });
  return (
    <a href={href} aria-label={(rest as { 'aria-label'?: string })['aria-label']}>
      {children}
    </a>
  );
}
