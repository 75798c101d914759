export { siteFile, siteFileBody, siteFileDone, type SiteFileDone } from './site-file.ts'
