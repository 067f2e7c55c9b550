<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Models\StoredRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;

/** Whoever follows the site by what is new knows what they would know if they asked for all of it. */
final class SiteSinceTest extends TestCase
{
    private const ROUNDS = 30;

    /** @var array<string, mixed> */
    private array $site = [];

    private string $cursor = '';

    private function reads(): void
    {
        $this->site = $this->as('installer')->getJson('/api/site')->assertOk()->json();
        $this->cursor = $this->site['cursor'];
    }

    /** @return ?int how many cables came; null: all had to be read */
    private function follows(): ?int
    {
        $answer = $this->as('installer')->getJson('/api/site/since/'.$this->cursor)->assertOk()->json();
        if ($answer['runs'] === null) {
            $this->reads();

            return null;
        }
        $this->cursor = $answer['cursor'];
        $this->site['runs'] = $answer['runs'] + $this->site['runs'];

        return count($answer['runs']);
    }

    /** What was recorded long ago is known to everybody; what was written just now is told again. */
    private static function later(): void
    {
        DB::table('events')->update(['created_at' => now()->subHour()]);
    }

    private function isAllKnown(string $at): void
    {
        $whole = $this->as('installer')->getJson('/api/site')->json();
        foreach ([&$whole, &$this->site] as &$each) {
            ksort($each['runs']);
            unset($each['cursor']);
        }
        self::assertSame($whole, $this->site, $at);
    }

    /** @return iterable<string, array{bool}> */
    public static function houses(): iterable
    {
        yield 'nothing is released' => [false];
        yield 'the shop works from a release' => [true];
    }

    #[DataProvider('houses')]
    public function test_who_follows_by_what_is_new_knows_all_of_it(bool $isReleased): void
    {
        if ($isReleased) {
            $this->as('lead')->postJson('/api/releases', ['note' => 'to the site'])->assertStatus(202);
        }
        $random = new Randomizer(new Mt19937(5));
        self::later();
        $this->reads();
        $all = count($this->site['runs']);
        $parts = $cables = $wholes = 0;
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $did = $this->does($random, $round);
            if ($random->getInt(1, 3) === 1) {
                continue;
            }
            $came = $this->follows();
            $wholes += (int) ($came === null);
            $parts += (int) ($came !== null);
            $cables += $came ?? 0;
            self::later();
            $this->isAllKnown($did);
        }
        self::assertGreaterThan(self::ROUNDS / 4, $parts);
        self::assertLessThan($parts * $all / 4, $cables);
        // What is decided since is not the site's until it is released.
        $isReleased ? self::assertSame(1, $wholes) : self::assertGreaterThan(1, $wholes);
    }

    private function does(Randomizer $random, int $round): string
    {
        $runs = StoredRun::query()->where('installation_id', $this->installation->id)->orderBy('id')->get()->all();
        $run = $runs[$random->getInt(0, count($runs) - 1)];
        $kind = $random->getInt(1, 5);
        $event = static fn (string $kind, array $with = []): array => [
            'id' => (string) Str::uuid(),
            'kind' => $kind,
            'run' => $run->key,
        ] + $with;
        $answer = match (true) {
            $round === 12 => $this->as('lead')->postJson('/api/releases', ['note' => 'once more']),
            $kind === 1 => $this->as('planner')->patchJson('/api/runs/'.$run->key, [
                'version' => $run->version,
                'line' => ['tail_a' => $random->getInt(2, 9).'.5'],
            ]),
            default => $this->as('lead')->postJson('/api/events', match ($kind) {
                2 => $event('pulled'),
                3 => $event('labelled', ['side' => 'A']),
                4 => $event('dressed', ['side' => 'B']),
                default => $event('pulled', ['built' => ['length' => $random->getInt(5, 40).' m']]),
            }),
        };
        self::assertLessThan(500, $answer->status(), (string) $answer->getContent());

        return sprintf('round %d: %d on %s, %d', $round, $kind, $run->key, $answer->status());
    }

    public function test_a_cursor_that_is_none_of_these_asks_for_all(): void
    {
        self::later();
        $this->reads();
        self::assertSame(0, $this->follows());
        $this->as('lead')->postJson('/api/events', [
            'id' => (string) Str::uuid(),
            'kind' => 'labelled',
            'run' => 'C-442',
        ])->assertCreated();
        self::assertSame(1, $this->follows());
        [$edition, $row] = explode('.', $this->cursor);
        $this->cursor = strrev($edition).'.'.$row;
        self::assertNull($this->follows());
        $this->getJson('/api/site/since/7')->assertNotFound();
        $this->getJson('/api/site/since/'.$edition.'.x')->assertNotFound();
    }
}
