import { type ChildProcess, spawn } from 'node:child_process'
import { expect } from '@playwright/test'

/**
 * A server of a test's own, beside the one of the others and on the same
 * database, so that it can go out like a light: its whole process group is
 * killed, and nobody is asked to finish anything.
 */
export class OwnServer {
  private process: ChildProcess | null = null
  readonly base: string

  constructor(private readonly away: number) {
    this.base = `http://127.0.0.1:${this.port}`
  }

  private get port() { return Number(new URL(process.env.SARTAL_URL ?? 'http://127.0.0.1:8080').port) + this.away }

  async up() {
    this.process = spawn('php', ['-d', 'opcache.enable_cli=1', '-d', 'memory_limit=512M', '-S', `127.0.0.1:${this.port}`, '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'], { detached: true, cwd: 'public', stdio: 'ignore', env: { ...process.env, PHP_CLI_SERVER_WORKERS: '4' } })
    await expect(async () => { expect((await fetch(`${this.base}/api/session`)).status).toBe(200) }).toPass({ timeout: 20_000 })
  }

  down() {
    if (this.process?.pid) process.kill(-this.process.pid, 'SIGKILL')
    this.process = null
  }
}
