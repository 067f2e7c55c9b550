<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Closure;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use RuntimeException;
use Tests\TestCase;

/**
 * Wherever a write breaks off, all of it is there or nothing: what is kept says the same as if nothing had been kept.
 * It breaks off after one question to the database, after some more, and so on.
 */
final class BrokenOffTest extends TestCase
{
    /** Of the questions of an edit, every so many-th. */
    private const APART = 4;

    private const PAGES = ['schedule', 'site', 'outstanding', 'runs/C-442/test', 'bench/C-442', 'tests/progress'];

    /** @var array<string, array<string, string>> what is decided and recorded → pages that follow from it */
    private array $anew = [];

    /** @var ?int questions until it breaks off; null: it does not */
    private ?int $left = null;

    protected function setUp(): void
    {
        parent::setUp();
        $this->of('brackwater');
        DB::listen(function (QueryExecuted $query): void {
            if ($this->left !== null && --$this->left === 0) {
                throw new RuntimeException('The power is gone.');
            }
        });
    }

    /**
     * @param  Closure(): TestResponse  $ask
     * @return ?int status of the answer; null where it broke off
     */
    private function breaking(int $after, Closure $ask): ?int
    {
        $this->left = $after;
        try {
            $answer = $ask();
        } finally {
            [$isBroken, $this->left] = [$this->left !== null && $this->left <= 0, null];
        }

        return $isBroken ? null : $answer->status();
    }

    /** @return array<string, string> */
    private function pages(): array
    {
        $pages = [];
        foreach (self::PAGES as $page) {
            $pages[$page] = (string) $this->as('lead')->getJson('/api/'.$page)->assertOk()->getContent();
        }

        return $pages;
    }

    /** @return array<string, string> the same with nothing kept */
    private function made(): array
    {
        DB::beginTransaction();
        foreach (['kept', 'run_cards', 'concerned'] as $table) {
            DB::table($table)->delete();
        }
        $anew = $this->pages();
        DB::rollBack();

        return $anew;
    }

    private function isAsIfNothingWasKept(string $at): void
    {
        $kept = $this->pages();
        // Of what is the same as at the last one nothing else follows.
        $of = [$this->installation->refresh()->decisions, DB::table('events')->max('id'), DB::table('events')->count()];
        $this->anew[serialize($of)] ??= $this->made();
        self::assertSame($this->anew[serialize($of)], $kept, $at);
    }

    public function test_a_record_is_there_with_all_that_follows_from_it_or_not_at_all(): void
    {
        $this->pages();
        $there = 0;
        for ($n = 1, $status = null; $status === null; $n += 2) {
            $id = sprintf('00000000-0000-4000-8000-%012d', $n);
            $this->as('lead');
            $status = $this->breaking($n, fn (): TestResponse => $this->postJson('/api/events', [
                'id' => $id,
                'kind' => 'labelled',
                'run' => 'C-442',
                'side' => $n % 4 === 1 ? 'A' : 'B',
            ]));
            $there += $is = DB::table('events')->where('uuid', $id)->count();
            self::assertSame($status === null ? $is : 1, $is);
            $this->isAsIfNothingWasKept('a record, broken off after '.$n);
        }
        self::assertSame(201, $status);
        self::assertGreaterThan(8, $n);
        self::assertGreaterThan(0, $there);
        self::assertLessThan($n, $there);
    }

    public function test_an_edit_is_there_with_all_that_follows_from_it_or_not_at_all(): void
    {
        // Cards, so that a decision is brought forward.
        foreach (['once', 'twice'] as $note) {
            $this->edit($note)()->assertOk();
        }
        $this->pages();
        for ($n = 1, $status = null; $status === null; $n += self::APART) {
            $status = $this->breaking($n, $this->edit('note '.$n));
            $this->isAsIfNothingWasKept('an edit, broken off after '.$n);
        }
        self::assertSame(200, $status);
        self::assertGreaterThan(40, $n);
    }

    /** @return Closure(): TestResponse by somebody who is known, on a version that is */
    private function edit(string $note): Closure
    {
        $this->as('planner');
        $sent = [
            'version' => $this->installation->runs()->where('key', 'C-442')->value('version'),
            'line' => ['note' => $note, 'tail_a' => (string) (1 + strlen($note) % 3)],
        ];

        return fn (): TestResponse => $this->patchJson('/api/runs/C-442', $sent, ['Sartal-Intent' => 'accept']);
    }
}
