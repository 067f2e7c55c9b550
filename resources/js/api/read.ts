/** Where the device keeps what was last read, for when there is no network: emptied when somebody signs out. */
export const READ = 'sartal-read'
