<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Intent;
use App\Changes\Overtakes;
use App\Changes\StaleWrite;
use App\Models\StoredRun;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Rows;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\FileEncoder;
use Tests\TestCase;

/** The one door: whatever is decided goes through it, and what comes out is as if everything were read anew. */
final class DecisionsTest extends TestCase
{
    private function load(): Loaded
    {
        return $this->app->make(InstallationStore::class)->load($this->installation->refresh());
    }

    /** All of it, types that ship included. */
    private static function written(Loaded $loaded): string
    {
        return json_encode(FileEncoder::installation($loaded->installation), JSON_THROW_ON_ERROR);
    }

    private function author(Intent $intent = Intent::Accept): Author
    {
        return new Author($this->person('planner'), $intent);
    }

    private function log(): ChangeLog
    {
        return $this->app->make(ChangeLog::class);
    }

    /** A decision of each kind that the demo holds some of, and what it changes of it. */
    private function edits(Loaded $loaded): array
    {
        $rows = new Rows($loaded->stored);
        $edits = [];
        foreach (DecisionKind::cases() as $kind) {
            if ($kind->home() === DecisionHome::Whole) {
                $edits[$kind->value] = new Edit($kind, $loaded->stored->key, $rows->current($kind, ''));

                continue;
            }
            if ($kind === DecisionKind::Recipe) {
                // Read where somebody decided on one before, and decided on no more.
                continue;
            }
            $list = $kind->list();
            $in = $kind->home() === DecisionHome::Type ? $loaded->installation->catalogue : $loaded->installation;
            $id = (string) array_key_first($in->{$list}());
            $shape = $rows->current($kind, $id);
            if ($shape !== null) {
                $name = isset($shape['name']) ? 'name' : (isset($shape['label']) ? 'label' : 'note');
                $edits[$kind->value] = new Edit($kind, $id, [$name => 'Said otherwise'] + $shape);
            }
        }

        return $edits;
    }

    public function test_what_a_write_gives_back_is_what_reading_it_anew_gives(): void
    {
        $now = $this->load();
        $edits = $this->edits($now);
        self::assertGreaterThan(12, count($edits));
        foreach ($edits as $kind => $edit) {
            $now = $this->log()->write(Decision::on($now, $this->author(), 'tried', [$edit]))->now();
            $anew = $this->load();
            self::assertSame(self::written($anew), self::written($now), $kind);
            self::assertSame($anew->versions, array_replace($anew->versions, $now->versions), $kind);
            self::assertSame($anew->stored->decisions, $now->stored->decisions);
        }
    }

    public function test_adding_and_taking_out_a_run_gives_what_reading_it_anew_gives(): void
    {
        $before = self::written($this->load());
        $row = (new Rows($this->installation))->current(DecisionKind::Run, 'A-121');
        self::assertIsArray($row);
        $added = new Edit(DecisionKind::Run, 'new-run', ['id' => 'new-run', 'code' => 'A-777'] + $row);
        $now = $this->log()->write(Decision::on($this->load(), $this->author(), 'added', [$added]))->now();
        self::assertSame(1, $now->versions['new-run']);
        self::assertSame(self::written($this->load()), self::written($now));
        $gone = $this->log()
            ->write(Decision::on($now, $this->author(), 'gone', [Edit::without(DecisionKind::Run, 'new-run', 1)]))
            ->now();
        self::assertArrayNotHasKey('new-run', $gone->versions);
        self::assertSame($before, self::written($gone));
    }

    public function test_what_somebody_else_decided_in_between_is_not_overlooked(): void
    {
        $mine = $this->load();
        $edits = $this->edits($mine);
        $theirs = $this->app->make(InstallationStore::class)->load($this->installation->fresh());
        $this->log()->write(Decision::on($theirs, $this->author(), 'theirs', [$edits['location']]));
        $now = $this->log()->write(Decision::on($mine, $this->author(), 'mine', [$edits['way']]))->now();
        self::assertSame('Said otherwise', $now->installation->locations()[$edits['location']->key]->name);
        self::assertSame('Said otherwise', $now->installation->ways()[$edits['way']->key]->name);
    }

    public function test_a_stale_write_of_any_kind_tells_both_versions_and_writes_nothing(): void
    {
        $loaded = $this->load();
        $rows = new Rows($loaded->stored);
        foreach ($this->edits($loaded) as $kind => $edit) {
            $stale = new Edit($edit->kind, $edit->key, $edit->after, 99);
            $stands = $rows->current($edit->kind, $edit->key);
            try {
                $this->log()->write(Decision::on($loaded, $this->author(), 'late', [$stale]));
                self::fail($kind.' was written over a newer one');
            } catch (StaleWrite $late) {
                self::assertSame($edit->after, $late->edit->after);
                self::assertSame($stands, $late->theirs, $kind);
            }
            self::assertSame($stands, $rows->current($edit->kind, $edit->key), $kind);
        }
        self::assertSame(0, $this->installation->changes()->count());
    }

    /** Decoding is most of what an edit costs: asked first or not, all rows are read for one of them, and few since. */
    public function test_an_edit_reads_the_installation_once_and_the_next_what_it_has_to_do_with(): void
    {
        $read = $some = 0;
        DB::listen(static function (QueryExecuted $query) use (&$read, &$some): void {
            $isOfRuns = str_starts_with($query->sql, 'select "key", "version", "definition" from "runs"');
            $isOfSome = str_contains($query->sql, '"key" in (');
            $read += $isOfRuns && ! $isOfSome ? 1 : 0;
            $some += $isOfRuns && $isOfSome ? count($query->bindings) - 1 : 0;
        });
        foreach (['accept', 'ask'] as $intent) {
            $some = 0;
            $version = StoredRun::query()
                ->where('installation_id', $this->installation->id)
                ->where('key', 'A-121')
                ->value('version');
            $this->as('planner')
                ->withHeader(Intent::HEADER, $intent)
                ->patchJson('/api/runs/A-121', ['line' => ['note' => 'said '.$intent], 'version' => $version])
                ->assertOk();
            self::assertSame(1, $read, $intent);
            self::assertLessThan(20, $some, $intent);
        }
        self::assertGreaterThan(0, $some);
    }

    public function test_what_is_asked_is_part_of_the_decision_and_of_no_request(): void
    {
        $loaded = $this->load();
        $run = (new Rows($loaded->stored))->current(DecisionKind::Run, 'A-114');
        self::assertIsArray($run);
        $longer = new Edit(DecisionKind::Run, 'A-114', ['a' => ['tail' => '30 m'] + (array) $run['a']] + $run);
        try {
            $this->log()->write(Decision::on($loaded, $this->author(Intent::Ask), 'longer', [$longer]));
            self::fail('A cut is overtaken by it.');
        } catch (Overtakes $overtakes) {
            self::assertFalse($overtakes->impact->isNothing());
        }
        $this->log()->write(Decision::on($loaded, $this->author(), 'longer', [$longer]));
        self::assertSame('30000 mm', $this->load()->installation->runs()['A-114']->a->tail->canonical());
    }
}
