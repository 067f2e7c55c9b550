import type { file } from './api/page'

declare module 'vue' {
  interface ComponentCustomProperties {
    /** The address of something that is opened or shown without the page, of the page's installation. */
    $file: typeof file
  }
}
