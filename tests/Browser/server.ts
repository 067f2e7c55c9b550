import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { expect } from '@playwright/test'

/** Which of the browsers that work side by side this one is. */
const LANE = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
/** Ports from one lane to the next. */
const APART = 100
/** The demo as it ships, which every other database of these tests is a copy of (bin/test makes it). */
const TEMPLATE = process.env.SARTAL_TEMPLATE ?? 'sartal_browser'

/**
 * A server of a test's own on a database of its own, so that it can go out
 * like a light: its whole process group is killed, and nobody is asked to
 * finish anything. What it keeps beside the database is its own as well.
 */
export class OwnServer {
  private process: ChildProcess | null = null
  private worker: ChildProcess | null = null
  readonly base: string
  readonly port: number
  private readonly database: string
  private readonly folder: string

  /**
   * @param away of the lane's first port; each server of a lane has another
   * @param beside the server whose database and files this one works on too
   */
  constructor(away: number, beside?: OwnServer) {
    this.port = Number(process.env.SARTAL_FIRST_PORT ?? 8180) + LANE * APART + away
    this.base = `http://127.0.0.1:${this.port}`
    this.database = beside?.database ?? `${TEMPLATE}_${LANE}_${away}`
    this.folder = beside?.folder ?? join(process.cwd(), '.sartal', 'browser', `${LANE}-${away}`)
  }

  get env() {
    return {
      ...process.env,
      DB_DATABASE: this.database,
      APP_URL: this.base,
      PHP_CLI_SERVER_WORKERS: '4',
      SARTAL_CACHE: join(this.folder, 'cache'),
      SARTAL_UPLOADS: join(this.folder, 'uploads'),
    }
  }

  /** The demo as it ships, and nothing that anybody did to it. */
  fresh() {
    rmSync(this.folder, { recursive: true, force: true })
    mkdirSync(join(this.folder, 'uploads'), { recursive: true })
    const host = `pgsql:host=127.0.0.1;port=${process.env.DB_PORT ?? '5432'};dbname=postgres`
    // An ordinary role may not end the cluster's own workers that tidy a database up: it waits until they have left.
    const drop = `drop database if exists "${this.database}" with (force)`
    const run =
      `for ($i = 1; ; $i++) { try { $pdo->exec('${drop}'); break; } ` +
      `catch (PDOException $e) { if ($i === 40) throw $e; usleep(250000); } } ` +
      `$pdo->exec('create database "${this.database}" template "${TEMPLATE}"');`
    execFileSync('php', ['-r', `$pdo = new PDO('${host}', getenv('DB_USERNAME'), getenv('DB_PASSWORD')); ${run}`])
  }

  /** What addresses call the demo, or another installation by its file's name. */
  address(key = 'brackwater'): string {
    const host = `pgsql:host=127.0.0.1;port=${process.env.DB_PORT ?? '5432'};dbname=${this.database}`
    const pdo = `(new PDO('${host}', getenv('DB_USERNAME'), getenv('DB_PASSWORD')))`
    const code = `$q = ${pdo}->prepare('select address from installations where key = ?');`
    return execFileSync('php', ['-r', `${code} $q->execute(['${key}']); echo $q->fetchColumn();`]).toString()
  }

  async up() {
    const router = '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php'
    const settings = [
      'opcache.enable_cli=1',
      'opcache.validate_timestamps=0',
      'memory_limit=512M',
      'upload_max_filesize=1024M',
      'post_max_size=1026M',
    ]
    this.process = spawn('php', [...settings.flatMap(each => ['-d', each]), '-S', `127.0.0.1:${this.port}`, router], {
      detached: true,
      cwd: 'public',
      stdio: 'ignore',
      env: this.env,
    })
    await expect(async () => {
      expect((await fetch(`${this.base}/api/session`)).status).toBe(200)
    }).toPass({ timeout: 20_000, intervals: [100] })
  }

  /** Somebody who takes up what is asked for and takes long. */
  works() {
    if (this.worker) return
    const one = 'php -d memory_limit=512M artisan queue:work --queue=errands --max-jobs=1 --sleep=1 --quiet'
    this.worker = spawn('bash', ['-c', `while :; do ${one} || sleep 1; done`], {
      detached: true,
      stdio: 'ignore',
      env: this.env,
    })
  }

  down() {
    for (const each of [this.process, this.worker]) if (each?.pid) process.kill(-each.pid, 'SIGKILL')
    this.process = this.worker = null
  }
}
