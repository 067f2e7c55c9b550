import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { expect } from '@playwright/test'

/**
 * A server of a test's own, beside the one of the others and on the same
 * database, so that it can go out like a light: its whole process group is
 * killed, and nobody is asked to finish anything.
 */
export class OwnServer {
  private process: ChildProcess | null = null
  readonly base: string

  /** @param database of its own, where a test leaves the installation in a state that others do not expect */
  constructor(private readonly away: number, private readonly database = process.env.DB_DATABASE ?? 'sartal') {
    this.base = `http://127.0.0.1:${this.port}`
  }

  private get port() { return Number(new URL(process.env.SARTAL_URL ?? 'http://127.0.0.1:8080').port) + this.away }

  private get env() { return { ...process.env, DB_DATABASE: this.database, PHP_CLI_SERVER_WORKERS: '4' } }

  /** The demo as it ships, in a database that nothing else looks at. */
  fresh() {
    const host = `pgsql:host=127.0.0.1;port=${process.env.DB_PORT ?? '5432'};dbname=postgres`
    execFileSync('php', ['-r', `$pdo = new PDO('${host}', 'sartal', ''); $pdo->exec('drop database if exists ${this.database} with (force)'); $pdo->exec('create database ${this.database}');`])
    execFileSync('php', ['artisan', 'migrate', '--force', '--quiet'], { env: this.env })
    execFileSync('php', ['artisan', 'sartal:demo'], { env: this.env })
  }

  async up() {
    this.process = spawn('php', ['-d', 'opcache.enable_cli=1', '-d', 'memory_limit=512M', '-S', `127.0.0.1:${this.port}`, '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'], { detached: true, cwd: 'public', stdio: 'ignore', env: this.env })
    await expect(async () => { expect((await fetch(`${this.base}/api/session`)).status).toBe(200) }).toPass({ timeout: 20_000 })
  }

  down() {
    if (this.process?.pid) process.kill(-this.process.pid, 'SIGKILL')
    this.process = null
  }
}
