export { PAGE_FONT, pagesFor, pagesOf, type Page, type Pages } from './pages';
export { pageSize, setupSchema, type PageSetup } from './setup';
export { CUT_COLOUR, HAIRLINE, pageSvg } from './svg';
