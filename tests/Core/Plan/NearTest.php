<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\AssertionFailedError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Breakout;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Cards;
use Sartal\Core\Plan\Near\HeldCards;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\Neighbours;
use Sartal\Core\Plan\Near\OnCard;
use Sartal\Core\Plan\Near\Rest;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\Shift;
use Sartal\Core\Plan\Near\TieName;
use Sartal\Core\Plan\Near\WaysTaken;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Rerouted;
use Tests\Support\BlindCards;
use Tests\Support\DrawnEdits;
use Tests\Support\DrawnWays;

/**
 * What an edit concerns is found on cards, and a part of the installation says of it what the whole says. Held to plans
 * that are worked out whole.
 */
final class NearTest extends TestCase
{
    private const ROUNDS = 40;

    private const MOST = 1_000;

    /** What is not found on cards; null: all of it is. */
    private static OnCard|string|null $hidden = null;

    private static DrawnEdits $drawn;

    private static DrawnWays $ways;

    private static InstallationFile $file;

    public static function setUpBeforeClass(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        self::$file = InstallationFile::parse($text);
        self::$drawn = new DrawnEdits(json_decode($text, true));
        self::$ways = new DrawnWays(json_decode($text, true));
    }

    public function test_a_part_says_of_what_an_edit_concerns_what_the_whole_says(): void
    {
        $this->rounds();
    }

    /** @return iterable<string, array{OnCard|string}> */
    public static function kinds(): iterable
    {
        foreach ([...OnCard::cases(), 'said', 'cables'] as $kind) {
            yield is_string($kind) ? $kind : $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_whatever_is_not_found_on_cards_is_found_out_here(OnCard|string $hidden): void
    {
        self::$hidden = $hidden;
        try {
            $this->rounds();
        } catch (AssertionFailedError $found) {
            self::assertNotSame('', $found->getMessage());

            return;
        } finally {
            self::$hidden = null;
        }
        self::fail('Nobody has noticed.');
    }

    private function rounds(): void
    {
        $near = $all = $overtaken = $turned = $counted = $full = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $was = self::$drawn->edited(self::$file->installation, new Randomizer(new Mt19937(5000 + $seed)));
            $was = self::tight($was, $seed);
            $edits = self::$drawn->edits(new Randomizer(new Mt19937(9000 + $seed)));
            if ($seed % 4 === 0) {
                // Upside down, one reads as the other.
                $was = Decided::in($was, DecisionKind::Run, 'V-404', ['code' => 'H-601'] + self::shape('V-404'));
                $edits[] = [DecisionKind::Run, 'V-405', ['code' => '109-H'] + self::shape('V-405')];
                [$was, $edits] = $seed % 8 === 0 ? [$was, $edits] : self::turnedBack($was, $edits);
            }
            if ($seed % 3 === 0) {
                $edits = [self::$ways->edit(new Randomizer(new Mt19937(3000 + $seed))), ...array_slice($edits, 1)];
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
            if (self::$hidden === null) {
                self::asOfWays($found, [$was, $before, $wasPart], [$is, $after, $isPart], 'seed '.$seed);
            }
            $impact = self::impact($is, $after, $was, $before);
            $part = self::impact($isPart, $afterPart, $wasPart, $beforePart, $found['runs']);
            self::assertSame($impact, $part, 'seed '.$seed);
            $among = array_map(strval(...), array_keys($found['runs']));
            $more = $afterPart->moreWrongThan($beforePart, $among);
            $ways = $found['shift']->wrongWays($wasPart, $isPart, $found['cards']);
            self::assertSame($after->wrong() - $before->wrong(), $more + $ways, 'seed '.$seed);
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
        $near = (new Neighbours($cards, self::between($twice), self::MOST))->around($cards->of([$other->id]));
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
        $joined = (new Neighbours($cards, $between, self::MOST))->around($cards->of(['M-201']));
        self::assertNotNull($joined);
        $most = count($cards->cards) - 1;
        self::assertNull((new Neighbours($cards, $between, $most))->around($cards->cards));
        $enough = max(count($joined->runs), count($joined->rim));
        self::assertNotNull((new Neighbours($cards, $between, $enough))->around($cards->of(['M-201'])));
        self::assertNull((new Neighbours($cards, $between, $enough - 1))->around($cards->of(['M-201'])));
    }

    /**
     * Where more hangs together than in the demo: branches of looms that are moved, labels that do not say whose they
     * are, ways that are nearly full.
     */
    private static function tight(Installation $in, int $seed): Installation
    {
        $moved = [];
        foreach ($in->ways() as $way) {
            array_push(
                $moved,
                new Breakout($way->from, $way->id, Length::millimetres(300)),
                new Breakout($way->to, $way->id, Length::millimetres(-200)),
            );
        }

        return match ($seed % 5) {
            2 => $in->changed(['looms' => array_map(
                static fn (Loom $loom): Loom => new Loom(
                    $loom->id,
                    $loom->name,
                    $loom->root,
                    $loom->covering,
                    $loom->tieEvery,
                    $loom->oneReel,
                    $moved,
                ),
                $in->looms(),
            )]),
            3 => $in->withRules($in->rules()->withLabels(new LabelScheme('{here} {end}', '{loom}'))),
            4 => self::narrowed($in, new Randomizer(new Mt19937($seed))),
            default => $in,
        };
    }

    /** Each way takes just what lies in it, or just not. */
    private static function narrowed(Installation $in, Randomizer $random): Installation
    {
        $ways = array_map(strval(...), array_keys($in->ways()));
        foreach (HeldCards::from($in)->cables($ways, []) as $id => $cables) {
            $squares = 0.0;
            foreach ($cables as $cable => $many) {
                $type = $in->catalogue->cable((string) $cable) ?? self::fail('There is no such type.');
                $squares += $many * $type->outerDiameter->inMillimetres() ** 2;
            }
            $inner = (int) ceil(sqrt(2 * $squares));
            $limit = 100 * $squares / $inner ** 2 * ($random->getInt(0, 1) === 0 ? 0.999 : 1.001);
            $shape = ['inner' => [$inner.' mm'], 'fillLimit' => $limit];
            $shape += BuildingCodec::encodeWay($in->theWay((string) $id));
            $in = Decided::in($in, DecisionKind::Way, (string) $id, $shape);
        }

        return $in;
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
     *     cards: Cards,
     *     newCards: Cards,
     *     shift: Shift,
     *     clashes: array{array<array-key, string>, array<array-key, string>},
     *     before: Nearby,
     *     after: Nearby,
     *     runs: array<int|string, RunCard>,
     * }
     */
    private static function changing(Installation $was, Installation $is, array $edits): array
    {
        $ties = $runs = $ways = [];
        foreach ($edits as [$kind, $key]) {
            match ($kind) {
                DecisionKind::Run => ($runs[] = $key),
                DecisionKind::Way => ($ways[] = $key),
                DecisionKind::Circuit => ($ties[] = TieName::circuit($key)),
                default => ($ties[] = TieName::fitting($key)),
            };
        }
        $cards = self::cards($was);
        $neighbours = new Neighbours($cards, self::between($was), self::MOST);
        $edited = $neighbours->edited(
            array_values(array_unique($runs)),
            $ties,
            $ways,
            $ways === [] ? [] : (new WaysTaken($is, $ways))->among($cards->courses()),
        ) ?? self::fail('These are too many.');
        $clashes = LabelChecks::clashes($was);
        $shift = Shift::to($edited, $runs, $clashes, $cards, $is);
        $near = $neighbours->changing($shift, $ties) ?? self::fail('These are too many.');
        // Of those that lie with what is changed, the ones that lie otherwise since.
        $moved = self::plan($was)->layout->moved(self::plan($is)->layout);
        $concerned = $neighbours->changing($shift, $ties, $moved) ?? self::fail('These are too many.');
        self::assertSame([], array_diff_key($concerned->runs, $near->runs));
        $newCards = self::cards($is);
        // With all that they hang together with before and since.
        $around = static fn (Cards $of, Installation $in): Nearby => (new Neighbours(
            $of,
            self::between($in),
            self::MOST,
        ))->around($of->of($near->ids()), $near->ties) ?? self::fail('These are too many.');

        return [
            'cards' => $cards,
            'newCards' => $newCards,
            'shift' => $shift,
            'clashes' => [$clashes, $shift->clashes],
            'before' => $around($cards, $was),
            'after' => $around($newCards, $is),
            'runs' => $concerned->runs,
        ];
    }

    /**
     * Where a part knows what lies in ways, it finds what the whole finds, there and everywhere.
     *
     * @param  array{cards: Cards, shift: Shift, clashes: array{array<array-key, string>, array<array-key, string>},
     *     before: Nearby, after: Nearby, ...}  $found
     * @param  array{Installation, Plan, Installation}  $was  whole, its plan, and the part
     * @param  array{Installation, Plan, Installation}  $is  the same since
     */
    private static function asOfWays(array $found, array $was, array $is, string $at): void
    {
        $rest = new Rest($found['cards']->lying());
        $seeing = static fn (Installation $part, Beyond $beyond): Plan => (new Planner(new MemoryPlanCache()))->plan(
            $part,
            self::$file->record,
            $beyond,
        );
        $before = $seeing($was[2], Beyond::of(
            $found['before']->runs + $found['before']->rim,
            $found['cards'],
            $found['clashes'][0],
        )->lying($rest));
        $after = $seeing($is[2], Beyond::of(
            $found['after']->runs + $found['after']->rim,
            self::cards($is[0]),
            $found['clashes'][1],
        )->lying($rest, $found['shift']->gone()));
        [$here, $there] = [
            Rerouted::between($was[1], $is[1], $is[0]),
            Rerouted::between($before, $after, $is[2]),
        ];
        self::assertEquals($here->routes, $there->routes, $at);
        self::assertEquals($here->cuts, $there->cuts, $at);
        self::assertEquals($here->overtaken, $there->overtaken, $at);
        self::assertEquals(self::words($here->comes), self::words($there->comes), $at);
        self::assertEquals(self::words($here->goes), self::words($there->goes), $at);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<list<string>>
     */
    private static function words(array $findings): array
    {
        return array_map(
            static fn (Finding $each): array => [$each->code, $each->subject->text(), $each->words, $each->remedy],
            $findings,
        );
    }

    private static function cards(Installation $in): Cards
    {
        return self::$hidden === null ? HeldCards::from($in) : new BlindCards(HeldCards::from($in), self::$hidden);
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
