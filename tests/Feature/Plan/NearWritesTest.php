<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Intent;
use App\Http\Resources\Plan\RunResource;
use App\Http\Resources\Ways\ReroutedResource;
use App\Models\StoredRun;
use App\Planning\Edit;
use App\Planning\Near;
use App\Planning\StoredCards;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Near\HeldCards;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Planning\Rerouted;
use Tests\Support\DrawnEdits;
use Tests\Support\DrawnWays;
use Tests\Support\DrawsDecisions;
use Tests\Support\Share;
use Tests\TestCase;

/** Whoever edits a run reads what it has to do with: what is answered and what is kept is as if all of it were read. */
final class NearWritesTest extends TestCase
{
    use DrawsDecisions;

    public function test_cards_are_brought_forward_as_they_would_be_made_anew(): void
    {
        $drawn = new DrawnEdits(json_decode(self::demo(), true));
        $this->whole();
        $brought = 0;
        $rounds = Share::many(10, 24);
        for ($seed = 1; $seed <= $rounds; $seed++) {
            $edits = self::drawn($drawn, 300 + $seed);
            if ($seed % 4 === 0) {
                $edits = [self::way($seed), ...$edits];
            }
            // Read in part, as a whole, or by nobody.
            $on = match ($seed % 3) {
                0 => null,
                1 => $this->load(),
                default => $this->app->make(Near::class)->runs($this->installation->refresh(), self::runs($edits)),
            };
            $decision = $on === null
                ? new Decision($this->installation->refresh(), $this->author(), 'drawn', $edits)
                : Decision::on($on, $this->author(), 'drawn', $edits);
            if (self::isTwice($this->installation, $edits)) {
                continue;
            }
            $change = $this->app->make(ChangeLog::class)->write($decision)->change;
            $brought += $this->cardsAreRight('seed '.$seed);
            if ($seed % 5 === 0) {
                $this->app->make(ChangeLog::class)->undo($this->installation->refresh(), $this->author(), $change);
                $brought += $this->cardsAreRight('seed '.$seed.', undone');
            }
        }
        // Most decisions about runs are no reason to read all of them.
        self::assertGreaterThan($rounds / 2, $brought);
    }

    public function test_what_is_answered_is_what_the_whole_says(): void
    {
        $this->whole();
        $random = new Randomizer(new Mt19937(7));
        $runs = StoredRun::query()->where('installation_id', $this->installation->id)->orderBy('id')->get();
        for ($round = 0; $round < Share::many(8, 16); $round++) {
            $run = $runs[$random->getInt(0, count($runs) - 1)]->refresh();
            $other = $runs[$random->getInt(0, count($runs) - 1)];
            $answer = $this->as('planner')->withHeader(Intent::HEADER, $round % 2 === 0 ? 'accept' : 'ask')->patchJson(
                '/api/runs/'.$run->key,
                [
                    'version' => $run->version,
                    'line' => match ($random->getInt(1, 5)) {
                        1 => ['note' => 'said '.$round],
                        2 => ['code' => 'Q-'.$round],
                        3 => ['from' => $other->definition['a']['location']],
                        4 => ['loom' => $other->definition['loom'] ?? ''],
                        default => ['tail_a' => $random->getInt(1, 9).'.5'],
                    },
                ],
            );
            self::assertContains($answer->status(), [200, 428], (string) $answer->getContent());
            if ($answer->status() === 200) {
                $now = $this->load();
                $whole = json_encode(RunResource::of($now->installation->theRun($run->key), $now), JSON_THROW_ON_ERROR);
                self::assertJsonStringEqualsJsonString($whole, (string) $answer->getContent(), $round.' '.$run->key);
            }
        }
        self::assertNotNull(StoredCards::current($this->installation->refresh()));
    }

    public function test_pages_after_a_decision_are_as_if_nothing_had_been_kept(): void
    {
        $drawn = new DrawnEdits(json_decode(self::demo(), true));
        $this->whole();
        $this->pages('M-201');
        $brought = 0;
        for ($seed = 1; $seed <= Share::many(4, 8); $seed++) {
            $edits = $seed % 2 === 0 ? [self::way($seed)] : self::drawn($drawn, 700 + $seed);
            if (self::isTwice($this->installation, $edits)) {
                continue;
            }
            $on = $this->app->make(Near::class)->runs($this->installation->refresh(), self::runs($edits));
            $this->app->make(ChangeLog::class)->write(Decision::on($on, $this->author(), 'drawn', $edits));
            $run = self::runs($edits)[0] ?? 'C-424';
            $read = 0;
            DB::listen(static function (QueryExecuted $query) use (&$read): void {
                $read += self::isOfAllRuns($query) ? 1 : 0;
            });
            $kept = $this->pages($run);
            $brought += $read === 0 ? 1 : 0;
            // What a way has to do with: of some of these nothing is brought forward.
            $besides = $seed % 4 === 0 ? ['site', 'bench', 'building', 'cutting', 'labels'] : [];
            $kept = $this->pages($run, $besides);
            DB::beginTransaction();
            DB::delete('delete from kept');
            DB::delete('delete from run_cards');
            DB::delete('delete from concerned');
            $anew = $this->pages($run, $besides);
            DB::rollBack();
            self::assertSame($anew, $kept, 'seed '.$seed);
        }
        self::assertGreaterThan(Share::many(1, 3), $brought);
    }

    /** Several runs at once are read as far as they go, and are what they would be if all had been read. */
    public function test_the_same_for_several_runs_is_brought_forward_and_taken_back(): void
    {
        $this->whole();
        $keys = ['C-424', 'C-425', 'A-121', 'V-404', 'M-203'];
        $runs = fn (): array => array_map(
            static fn (object $run): array => ['id' => $run->key, 'version' => $run->version],
            StoredRun::query()->where('installation_id', $this->installation->id)->whereIn('key', $keys)
                ->orderBy('id')->get()->all(),
        );
        $notes = fn (): array => array_map(
            fn (string $key): string => $this->as('planner')->getJson('/api/runs/'.$key)->json('line.note'),
            $keys,
        );
        $before = $notes();
        $line = ['note' => 'together', 'tail_a' => '2.25'];
        $this->as('planner')->patchJson('/api/runs', ['runs' => $runs(), 'line' => $line])
            ->assertOk()->assertJsonPath('changed', 5);
        self::assertSame(1, $this->cardsAreRight('several'));
        $pages = $this->pages('M-203');
        DB::delete('delete from kept');
        self::assertSame($pages, $this->pages('M-203'));
        // A code that another has, or that two would get, is known though neither was read.
        foreach ([['prefix' => 'A-', 'from' => 114], ['prefix' => 'C-', 'from' => 418]] as $number) {
            $this->patchJson('/api/runs', ['runs' => $runs(), 'number' => $number + ['step' => 1]])
                ->assertUnprocessable()
                ->assertJsonValidationErrorFor('code');
        }
        $old = array_map(static fn (array $run): array => ['version' => 1] + $run, $runs());
        $this->patchJson('/api/runs', ['runs' => $old, 'line' => ['note' => 'late']])->assertConflict();
        $this->whole();
        $change = $this->installation->changes()->orderByDesc('id')->firstOrFail();
        $this->postJson('/api/changes/'.$change->id.'/undo')->assertCreated();
        $this->cardsAreRight('several, undone');
        self::assertSame($before, $notes());
    }

    public function test_a_run_that_was_taken_out_and_is_there_again_is_the_last_one(): void
    {
        $this->whole();
        $codes = fn (): array => $this->as('planner')->getJson('/api/schedule')->json('rows.*.code');
        $was = $codes();
        $run = StoredRun::query()->where('installation_id', $this->installation->id)->where('key', 'C-424')->sole();
        $this->deleteJson('/api/runs/C-424', ['version' => $run->version])->assertOk();
        $change = $this->installation->changes()->first();
        self::assertNotNull($change);
        $this->postJson('/api/changes/'.$change->id.'/undo')->assertSuccessful();
        $again = [...array_values(array_diff($was, ['C-424'])), 'C-424'];
        self::assertSame($again, $codes());
        DB::delete('delete from kept');
        self::assertSame($again, $codes());
    }

    public function test_cards_and_what_decisions_had_to_do_with_can_go_and_come_again(): void
    {
        $this->whole();
        $run = StoredRun::query()->where('installation_id', $this->installation->id)->where('key', 'C-424')->sole();
        $noted = ['version' => $run->version, 'line' => ['note' => 'once more']];
        $this->as('planner')->patchJson('/api/runs/C-424', $noted)->assertOk();
        $pages = $this->pages('C-424');
        $steps = [
            '2026_12_01_000003_add_courses',
            '2026_12_01_000002_add_released_rows',
            '2026_11_30_000003_add_concerned',
            '2026_11_30_000002_add_run_cards',
        ];
        foreach ($steps as $step) {
            (require database_path('migrations/'.$step.'.php'))->down();
        }
        foreach (array_reverse($steps) as $step) {
            (require database_path('migrations/'.$step.'.php'))->up();
        }
        self::assertSame($pages, $this->pages('C-424'));
        $run->refresh();
        $noted = ['version' => $run->version, 'line' => ['note' => '']];
        $this->as('planner')->patchJson('/api/runs/C-424', $noted)->assertOk();
        $since = $this->pages('C-424');
        self::assertNotSame($pages, $since);
        DB::delete('delete from kept');
        self::assertSame($since, $this->pages('C-424'));
    }

    public function test_what_a_way_does_to_runs_is_what_the_whole_says(): void
    {
        $this->whole();
        $parts = $overtakes = 0;
        for ($seed = 1; $seed <= Share::many(6, 12); $seed++) {
            $edit = self::way(40 + $seed);
            if ($edit->after === null) {
                continue;
            }
            $rows = DB::table('parts')->where('installation_id', $this->installation->id);
            $row = $rows->where('kind', 'way')->where('key', $edit->key)->first();
            $was = $this->load();
            $sent = ['part' => $edit->after, 'version' => $row->version ?? null];
            $whole = 0;
            DB::listen(static function (QueryExecuted $query) use (&$whole): void {
                $whole += self::isOfAllRuns($query) ? 1 : 0;
            });
            $asked = $this->as('planner')->withHeader(Intent::HEADER, 'ask')->putJson('/api/shared/way', $sent);
            $parts += $whole === 0 ? 1 : 0;
            if ($asked->status() === 428) {
                $all = $this->withHeader(Intent::HEADER, 'weigh')->putJson('/api/shared/way', $sent)->assertStatus(428);
                if ($asked->json('impact.isOpen') === false) {
                    self::assertSame($all->json(), $asked->json(), 'seed '.$seed);
                }
                self::assertSame($all->json('impact.comes'), $asked->json('impact.comes'), 'seed '.$seed);
                self::assertSame($all->json('impact.runs.*.code'), $asked->json('impact.runs.*.code'), 'seed '.$seed);
                $asked = $this->withHeader(Intent::HEADER, 'accept')->putJson('/api/shared/way', $sent);
                $overtakes++;
            }
            $asked->assertOk();
            $now = $this->load();
            $rerouted = ReroutedResource::of(Rerouted::between($was->plan(), $now->plan(), $now->installation));
            self::assertJsonStringEqualsJsonString(
                json_encode($rerouted, JSON_THROW_ON_ERROR),
                json_encode($asked->json('rerouted'), JSON_THROW_ON_ERROR),
                'seed '.$seed,
            );
        }
        self::assertGreaterThan(Share::many(2, 5), $parts);
        self::assertGreaterThan(0, $overtakes);
    }

    private static function way(int $seed): Edit
    {
        [$kind, $key, $shape] = (new DrawnWays(json_decode(self::demo(), true)))
            ->edit(new Randomizer(new Mt19937(60 + $seed)));

        return new Edit($kind, $key, $shape);
    }

    /**
     * @param  list<string>  $besides  pages
     * @return array<string, string> what some pages answer, by their address
     */
    private function pages(string $run, array $besides = []): array
    {
        $pages = [];
        $of = [
            'schedule',
            'outstanding',
            'runs/'.$run,
            'runs/'.$run.'/test?stage=bench',
            'runs/'.$run.'/sheet/a',
            'runs/'.$run.'/sheet/b/sheet.svg',
            'assemblies/'.$run,
            'assemblies/'.$run.'/takes',
            'tests/progress',
        ];
        foreach ([...$of, ...$besides] as $page) {
            $answer = $this->as('planner')->getJson('/api/'.$page);
            self::assertContains($answer->status(), [200, 404], (string) $answer->getContent());
            $pages[$page] = $answer->status() === 200 ? (string) $answer->getContent() : '';
        }

        return $pages;
    }

    private static function isOfAllRuns(QueryExecuted $query): bool
    {
        return str_starts_with($query->sql, 'select "key", "version", "definition" from "runs"') &&
            ! str_contains($query->sql, '"key" in (') &&
            ! str_contains($query->sql, '0 = 1');
    }

    public function test_a_joint_may_lead_to_a_connector_of_another_run(): void
    {
        $this->whole();
        $loaded = $this->load();
        $run = $loaded->installation->theRun('A-114');
        $to = $loaded->installation->theRun('A-116')->fittings()[0];
        $send = ['back' => false, 'reason' => 'as agreed', 'version' => $loaded->versions['A-114']];
        $conductor = $loaded->plan()->runs['A-114']->end(Side::A)->joints[0]->conductor;
        $this->as('planner')
            ->putJson('/api/runs/A-114/ends/a/joint', ['conductor' => $conductor, 'to' => $to.'/9999'] + $send)
            ->assertUnprocessable();
        $this->as('planner')
            ->putJson('/api/runs/A-114/ends/a/joint', ['conductor' => $conductor, 'to' => $to.'/1'] + $send)
            ->assertOk();
        self::assertNotSame([], $run->fittings());
        $now = $this->load();
        self::assertSame(['A-114', 'A-116'], $now->plan()->assembly('A-114')->runs);
        $this->cardsAreRight('joined');
    }

    public function test_what_is_decided_besides_makes_cards_that_nobody_takes(): void
    {
        $this->whole();
        $loaded = $this->load();
        $rows = DB::table('parts')->where('installation_id', $this->installation->id);
        $place = $rows->where('kind', 'location')->first();
        self::assertNotNull($place);
        $other = ['name' => 'Other'] + json_decode($place->definition, true);
        $edit = new Edit(DecisionKind::Location, $place->key, $other);
        $this->app->make(ChangeLog::class)->write(Decision::on($loaded, $this->author(), 'other', [$edit]));
        self::assertNull(StoredCards::current($this->installation->refresh()));
    }

    /** @return int 1 where they are known */
    private function cardsAreRight(string $at): int
    {
        $stored = $this->installation->refresh();
        $cards = StoredCards::current($stored);
        if ($cards === null) {
            $this->whole();

            return 0;
        }
        $in = $this->load()->installation;
        $anew = HeldCards::from($in)->cards;
        self::assertSame(self::said($anew), self::said($cards->of(array_map(strval(...), array_keys($anew)))), $at);
        self::assertSame(count($anew), DB::table('run_cards')->where('installation_id', $stored->id)->count(), $at);
        [$is, $kept] = [LabelChecks::clashes($in), $cards->clashes];
        ksort($is);
        ksort($kept);
        self::assertSame($is, $kept, $at);

        return 1;
    }

    /**
     * @param  array<int|string, RunCard>  $cards
     * @return array<int|string, array<string, mixed>> in their order, each as it is apart from its place
     */
    private static function said(array $cards): array
    {
        return array_map(static fn (RunCard $card): array => ['place' => 0] + (array) $card, $cards);
    }

    /** Read as a whole: its cards are written. */
    private function whole(): void
    {
        $this->app->make(Near::class)->whole($this->installation->refresh());
    }
}
