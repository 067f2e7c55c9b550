<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Changes\Intent;
use App\Models\StoredEvent;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\KeptCuts;
use App\Planning\KeptParts;
use App\Planning\Loaded;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Parts\LoomParts;
use Sartal\Core\Work\Parts\PartsList;
use Sartal\Core\Work\Parts\PartsPlanner;
use Tests\TestCase;

/** What is cut and bought by kept facts and by the record of stock is what all that is known makes of it. */
final class KeptCutsTest extends TestCase
{
    /** Draws of a history. */
    private const DRAWS = 6;

    /** Events of each. */
    private const EVENTS = 40;

    /** @return list<Event> by clocks that are hours out, each done on some that came before it */
    private function history(Randomizer $dice, Loaded $loaded): array
    {
        $all = $loaded->installation->runs();
        $runs = array_values(array_filter($all, static fn (Run $run): bool => ! $run->withdrawn));
        $by = (string) User::query()->where('sign_in', 'lead@brackwater.example')->value('key');
        $events = [];
        while (count($events) < self::EVENTS) {
            $run = $runs[$dice->getInt(0, min(4, count($runs) - 1))];
            [$kind, $side, $says] = $this->act($dice, $run, $loaded);
            $earlier = array_values(array_filter($events, static fn (Event $event): bool => $event->run === $run->id));
            $events[] = new Event(
                Str::uuid()->toString(),
                $kind,
                $run->id,
                $side,
                $by,
                sprintf('2026-12-%02dT%02d:00:00Z', $dice->getInt(1, 9), $dice->getInt(0, 23)),
                sprintf('2026-12-10T%02d:%02d:00.000000Z', intdiv(count($events), 60), count($events) % 60),
                '',
                says: $says,
                on: $earlier === [] || $dice->getInt(0, 3) === 0
                    ? []
                    : [$earlier[$dice->getInt(0, count($earlier) - 1)]->id],
            );
        }

        return $events;
    }

    /** @return array{EventKind, ?Side, ?Particulars} */
    private function act(Randomizer $dice, Run $run, Loaded $loaded): array
    {
        $reels = array_keys(
            array_filter($loaded->installation->reels(), static fn ($reel): bool => $reel->cable === $run->cable),
        );
        $isOff = $reels !== [] && $dice->getInt(0, 2) !== 0;
        $reel = $isOff ? (string) $reels[$dice->getInt(0, count($reels) - 1)] : null;
        $mark = (float) $dice->getInt(0, 200);
        $parts = array_keys($loaded->installation->catalogue->parts());

        return match ($dice->getInt(0, 8)) {
            0, 1, 2 => [
                EventKind::Cut,
                null,
                new CutNoted(
                    new CutMade(Length::metres($dice->getInt(1, 60)), $reel, null, $mark, $run->cable),
                ),
            ],
            3 => [EventKind::TakenBack, null, new TakenBack(EventKind::Cut)],
            4 => [
                EventKind::Reworked,
                Side::A,
                new SentBack([], [(string) $parts[$dice->getInt(0, count($parts) - 1)] => $dice->getInt(1, 3)]),
            ],
            // What matters to neither, and orders what does.
            default => [EventKind::Labelled, null, null],
        };
    }

    private static function parts(Loaded $loaded, bool $whole): PartsList
    {
        $dress = $loaded->dresser();

        return PartsPlanner::planned($loaded->installation, $loaded->plan(), $loaded->record)->list(
            array_map(strval(...), array_keys($loaded->installation->runs())),
            array_merge(
                ...array_map(
                    LoomParts::list(...),
                    array_map(
                        static fn ($loom): LoomDress => $dress->dress($loaded->plan()->layout->looms[$loom->id]),
                        array_values($loaded->installation->looms()),
                    ),
                ),
            ),
            Cuts::plan(CutFacts::of($loaded->installation, $loaded->plan()), $loaded->record),
            $whole,
        );
    }

    public function test_cuts_and_parts_are_the_same_by_what_is_kept(): void
    {
        $dice = new Randomizer(new Mt19937(61));
        $store = new InstallationStore();
        for ($draw = 0; $draw < self::DRAWS; $draw++) {
            DB::beginTransaction();
            $stored = $this->installation->refresh();
            $by = User::query()->where('sign_in', 'lead@brackwater.example')->firstOrFail();
            StoredEvent::addAll($stored, $by, $dice->shuffleArray($this->history($dice, $store->load($stored))));
            $now = $store->load($stored);
            $load = static fn (): Loaded => $now;
            for ($look = 0; $look < 2; $look++) {
                self::assertEquals(
                    Cuts::plan(CutFacts::of($now->installation, $now->plan()), $now->record),
                    KeptCuts::atWork($stored, $load)->now(),
                    'cuts, draw '.$draw,
                );
                foreach ([true, false] as $whole) {
                    self::assertEquals(
                        self::parts($now, $whole),
                        (new KeptParts($stored, $load))->list($whole),
                        sprintf('parts, draw %d', $draw),
                    );
                }
            }
            DB::rollBack();
        }
    }

    public function test_cuts_are_laid_out_without_the_installation_once_they_are_known(): void
    {
        $stored = $this->installation->refresh();
        $loaded = (new InstallationStore())->load($stored);
        $first = KeptCuts::atWork($stored, static fn (): Loaded => $loaded)->now();
        $never = static fn (): Loaded => self::fail('The installation was read.');
        self::assertEquals($first, KeptCuts::atWork($stored, $never)->now());
        $version = $this->as('planner')->getJson('/api/runs/A-118')->json('version');
        $this->withHeader(Intent::HEADER, 'accept')
            ->patchJson('/api/runs/A-118', ['line' => ['tail_a' => '9 m'], 'version' => $version])
            ->assertOk();
        $stored = $this->installation->refresh();
        $isRead = false;
        KeptCuts::atWork($stored, static function () use (&$isRead, $stored): Loaded {
            $isRead = true;

            return (new InstallationStore())->load($stored);
        })->now();
        self::assertTrue($isRead, 'after a decision they are other facts');
    }

    /** After a release the shop cuts what was released; what is bought follows from what is decided. */
    public function test_a_release_is_cut_from_while_parts_follow_what_is_decided(): void
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'First'])->assertSuccessful();
        $length = fn (): string => (string) collect($this->getJson('/api/cutting')->json('cables.*.assigned.*.cuts'))
            ->flatten(1)
            ->firstWhere('run', 'A-122')['length'];
        $needed = fn (): float => (float) collect($this->getJson('/api/parts?scope=installation')->json('lines'))
            ->firstWhere('id', 'pair-foil')['needed']['value'];
        [$cut, $bought] = [$length(), $needed()];
        $version = $this->as('planner')->getJson('/api/runs/A-122')->json('version');
        $this->withHeader(Intent::HEADER, 'accept')
            ->patchJson('/api/runs/A-122', ['line' => ['tail_a' => '9 m'], 'version' => $version])
            ->assertOk();
        $this->as('lead');
        for ($look = 0; $look < 2; $look++) {
            self::assertSame($cut, $length(), 'as it was released');
            self::assertGreaterThan($bought + 1, $needed(), 'as it is decided');
        }
    }
}
