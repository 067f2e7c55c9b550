<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Cards;
use Sartal\Core\Plan\Near\Clashes;
use Sartal\Core\Plan\Near\HeldCards;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\OnCard;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\TieName;
use Sartal\Core\Plan\Near\WrongWays;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Ways\Looming\Lay;
use Sartal\Core\Ways\Routing\Router;
use Tests\Support\DrawnEdits;

/**
 * What an edit concerns is found on cards, and a part of the installation says of it what the whole says. Held to plans
 * that are worked out whole.
 */
final class NearTest extends TestCase
{
    private const ROUNDS = 40;

    private const MOST = 1_000;

    private static DrawnEdits $drawn;

    private static InstallationFile $file;

    public static function setUpBeforeClass(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        self::$file = InstallationFile::parse($text);
        self::$drawn = new DrawnEdits(json_decode($text, true));
    }

    public function test_a_part_says_of_what_an_edit_concerns_what_the_whole_says(): void
    {
        $near = $all = $overtaken = $turned = $counted = $full = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $was = self::$drawn->edited(self::$file->installation, new Randomizer(new Mt19937(5000 + $seed)));
            $edits = self::$drawn->edits(new Randomizer(new Mt19937(9000 + $seed)));
            if ($seed % 4 === 0) {
                // Upside down, one reads as the other.
                $was = Decided::in($was, DecisionKind::Run, 'V-404', ['code' => 'H-601'] + self::shape('V-404'));
                $edits[] = [DecisionKind::Run, 'V-405', ['code' => '109-H'] + self::shape('V-405')];
                [$was, $edits] = $seed % 8 === 0 ? [$was, $edits] : self::turnedBack($was, $edits);
            }
            $is = $was;
            foreach ($edits as [$kind, $key, $shape]) {
                $is = Decided::in($is, $kind, $key, $shape);
            }
            $found = self::changing($was, $is, $edits);
            [$before, $after] = [self::plan($was), self::plan($is)];
            [[$wasPart, $beforePart], [$isPart, $afterPart]] = [
                self::part($was, $found['before'], $found['cards'], $found['clashes'][0]),
                self::part($is, $found['after'], $found['newCards'], $found['clashes'][1]),
            ];
            self::assertSame(LabelChecks::clashes($was), $found['clashes'][0]);
            self::assertEqualsCanonicalizing(LabelChecks::clashes($is), $found['clashes'][1], 'seed '.$seed);
            foreach ($is->runs() as $id => $run) {
                $at = sprintf('seed %d, %s', $seed, $id);
                if (! isset($found['runs'][$id])) {
                    self::assertTrue($after->isAs($before, $id), $at);
                    self::assertSame(self::said($id, $before, $was), self::said($id, $after, $is), $at);

                    continue;
                }
                self::assertSame(self::said($id, $after, $is), self::said($id, $afterPart, $is), $at);
                self::assertEquals($after->strand($id), $afterPart->strand($id), $at);
                self::assertEquals($after->reliedOn($id), $afterPart->reliedOn($id), $at);
                self::assertEquals($after->assembly($id)->runs, $afterPart->assembly($id)->runs, $at);
                if ($was->run($id) !== null) {
                    self::assertSame(self::said($id, $before, $was), self::said($id, $beforePart, $was), $at);
                    self::assertSame($after->isAs($before, $id), $afterPart->isAs($beforePart, $id), $at);
                }
            }
            $impact = self::impact($is, $after, $was, $before);
            $part = self::impact($isPart, $afterPart, $wasPart, $beforePart, $found['runs']);
            self::assertSame($impact, $part, 'seed '.$seed);
            $among = array_map(strval(...), array_keys($found['runs']));
            $more = self::weigh($afterPart->judgedBeside($beforePart, $among)) -
                self::weigh($beforePart->judgedBeside($afterPart, $among));
            $ways = self::wrongWays($wasPart, $isPart, $found);
            $most = self::weigh($after->judged()) - self::weigh($before->judged());
            self::assertSame($most, $more + $ways, 'seed '.$seed);
            $counted += (int) ($more !== 0);
            $full += (int) ($ways !== 0);
            $overtaken += (int) $impact;
            $turned += (int) ($found['clashes'][0] !== $found['clashes'][1]);
            $near += count($found['runs']);
            $all += count($is->runs());
        }
        // Some of what is drawn overtakes work, some labels are marked since, and most runs are looked at by nobody.
        self::assertGreaterThan(6, $overtaken);
        self::assertGreaterThan(4, $turned);
        self::assertGreaterThan(6, $counted);
        self::assertGreaterThan(0, $full);
        self::assertLessThan($all / 2, $near);
    }

    public function test_a_part_knows_who_else_has_a_code_or_a_label(): void
    {
        $in = self::$file->installation;
        [$one, $other] = array_values(array_slice($in->runs(), 0, 2, true));
        $twice = Decided::in($in, DecisionKind::Run, $one->id, ['code' => $other->code] + self::shape($one->id));
        $cards = HeldCards::from($twice);
        $near = Nearby::around($cards, self::between($twice), $cards->of([$other->id]), [], self::MOST);
        self::assertNotNull($near);
        self::assertArrayNotHasKey($one->id, $near->runs);
        [, $part] = self::part($twice, $near, $cards, LabelChecks::clashes($twice));
        self::assertContains(
            sprintf('2 runs have the code %s.', $other->code),
            array_map(static fn (Finding $each): string => $each->words, $part->judgedOn(Subject::run($other->id))),
        );
    }

    public function test_what_concerns_too_many_is_not_looked_for_further(): void
    {
        $cards = HeldCards::from(self::$file->installation);
        $between = self::between(self::$file->installation);
        $joined = Nearby::around($cards, $between, $cards->of(['M-201']), [], self::MOST);
        self::assertNotNull($joined);
        $many = count($joined->runs);
        self::assertNull(Nearby::around($cards, $between, $cards->cards, [], count($cards->cards) - 1));
        $enough = max($many, count($joined->rim));
        self::assertNotNull(Nearby::around($cards, $between, $cards->of(['M-201']), [], $enough));
    }

    /**
     * The last of the edits is made already, and taken back.
     *
     * @param  list<array{DecisionKind, string, ?array<string, mixed>}>  $edits
     * @return array{Installation, list<array{DecisionKind, string, ?array<string, mixed>}>}
     */
    private static function turnedBack(Installation $was, array $edits): array
    {
        [$kind, $run, $shape] = array_pop($edits) ?? self::fail('There is no edit.');

        return [Decided::in($was, $kind, $run, $shape), [...$edits, [$kind, $run, self::shape($run)]]];
    }

    /**
     * @param  list<array{DecisionKind, string, ?array<string, mixed>}>  $edits
     * @return array{
     *     cards: HeldCards,
     *     newCards: HeldCards,
     *     clashes: array{array<array-key, string>, array<array-key, string>},
     *     before: Nearby,
     *     after: Nearby,
     *     runs: array<int|string, RunCard>,
     *     was: array<int|string, RunCard>,
     *     is: array<int|string, RunCard>,
     * }
     */
    private static function changing(Installation $was, Installation $is, array $edits): array
    {
        $cards = HeldCards::from($was);
        $ties = $changed = [];
        foreach ($edits as [$kind, $key]) {
            if ($kind === DecisionKind::Run) {
                $changed[$key] = true;
            } else {
                $ties[] = $kind === DecisionKind::Circuit ? TieName::circuit($key) : TieName::fitting($key);
            }
        }
        $changed += $cards->with(OnCard::Ties, $ties, self::MOST);
        [$old, $new] = [$cards->of(array_map(strval(...), array_keys($changed))), []];
        $router = new Router($is);
        foreach (array_keys($changed) as $id) {
            $run = $is->run($id);
            $new += $run === null ? [] : [$id => RunCard::of($run, $is, $router->route($run))];
        }
        $before = LabelChecks::clashes($was);
        $ports = array_merge(...array_map(
            static fn (Equipment $device): array => array_map(
                static fn (Port $port): string => $port->name,
                array_values($device->ports),
            ),
            array_values($was->equipment()),
        ));
        $after = Clashes::after($before, $old, $new, $cards, $ports);
        $changing = static fn (?array $moved): ?Nearby => Nearby::changing(
            $cards,
            self::between($was),
            $old,
            $new,
            $ties,
            Clashes::between($before, $after),
            self::MOST,
            $moved,
        );
        $near = $changing(null);
        self::assertNotNull($near);
        // Of those that lie with what is changed, the ones that lie otherwise since.
        [$lay, $lays] = [self::plan($was)->layout->lays, self::plan($is)->layout->lays];
        $moved = array_filter(
            $lays,
            static fn (Lay $of, int|string $run): bool => isset($lay[$run]) && $of != $lay[$run],
            ARRAY_FILTER_USE_BOTH,
        );
        $concerned = $changing(array_map(strval(...), array_keys($moved)));
        self::assertNotNull($concerned);
        self::assertSame([], array_diff_key($concerned->runs, $near->runs));
        $newCards = HeldCards::from($is);
        // With all that they hang together with before and since.
        $around = static fn (Cards $of, Installation $in): Nearby => Nearby::around(
            $of,
            self::between($in),
            $of->of(array_map(strval(...), array_keys($near->runs))),
            $near->ties,
            self::MOST,
        ) ?? self::fail('These are too many.');

        return [
            'cards' => $cards,
            'newCards' => $newCards,
            'clashes' => [$before, $after],
            'before' => $around($cards, $was),
            'after' => $around($newCards, $is),
            'runs' => $concerned->runs,
            'was' => $old,
            'is' => $new,
        ];
    }

    /**
     * @param  array<array-key, string>  $clashes
     * @return array{Installation, Plan}
     */
    private static function part(Installation $in, Nearby $near, Cards $cards, array $clashes): array
    {
        $part = $near->in($in);
        $beyond = Beyond::of($near->runs + $near->rim, $cards, $clashes);

        return [$part, (new Planner(new MemoryPlanCache()))->plan($part, self::$file->record, $beyond)];
    }

    private static function plan(Installation $in): Plan
    {
        return (new Planner(new MemoryPlanCache()))->plan($in, self::$file->record);
    }

    /** @param  list<Finding>  $findings */
    private static function weigh(array $findings): int
    {
        return count(
            array_filter($findings, static fn (Finding $each): bool => $each->severity !== Severity::Note),
        );
    }

    /**
     * By how much more is wrong with ways.
     *
     * @param  array{cards: HeldCards, was: array<int|string, RunCard>, is: array<int|string, RunCard>, ...}  $found
     */
    private static function wrongWays(Installation $was, Installation $is, array $found): int
    {
        $ways = [];
        foreach ([...array_values($found['was']), ...array_values($found['is'])] as $card) {
            $ways += array_flip($card->ways);
        }
        $ways = array_map(strval(...), array_keys($ways));
        $changed = array_map(strval(...), array_keys($found['was'] + $found['is']));
        $others = $found['cards']->cables($ways, $changed);

        return (new WrongWays($is))->count($ways, $others, $found['is']) -
            (new WrongWays($was))->count($ways, $others, $found['was']);
    }

    /** @param  ?array<int|string, RunCard>  $among */
    private static function impact(
        Installation $is,
        Plan $after,
        Installation $was,
        Plan $before,
        ?array $among = null,
    ): bool {
        $record = self::$file->record;

        return (new ImpactPlanner(new Work($is, $after, $record), before: $before))->overtakes(
            new Work($was, $before, $record),
            $among === null ? null : array_map(strval(...), array_keys($among)),
        );
    }

    /** @return array<array-key, list<string>> */
    private static function between(Installation $in): array
    {
        return TieName::between($in->links(), $in->switches(), $in->matings());
    }

    /** @return list<mixed> what a plan says of a run */
    private static function said(int|string $id, Plan $plan, Installation $in): array
    {
        $run = $in->theRun($id);
        $findings = $plan->judgedOn(Subject::run($run->id));
        foreach ($run->fittings() as $fitting) {
            array_push($findings, ...$plan->judgedOn(Subject::fitting($fitting)));
        }
        foreach ($run->carries as $carriage) {
            array_push($findings, ...$plan->judgedOn(Subject::circuit($carriage->circuit)));
        }

        return [
            array_map(
                static fn (Finding $each): array => [$each->code, $each->subject->text(), $each->words, $each->remedy],
                $findings,
            ),
            $plan->runs[$id]->cut->result->nanometres,
            $plan->labels($id),
            $plan->resultsOn(Subject::run($run->id)) === [],
        ];
    }

    /** @return array<string, mixed> */
    private static function shape(string $run): array
    {
        return json_decode(
            json_encode(RunCodec::encode(self::$file->installation->theRun($run)), JSON_THROW_ON_ERROR),
            true,
        );
    }
}
