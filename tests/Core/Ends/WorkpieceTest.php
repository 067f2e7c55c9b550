<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Making\Acts;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Picked;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\MeasureKind;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;

/** What holds of every end whatever is done to it: ends and steps drawn by chance, most of which nobody would do. */
final class WorkpieceTest extends TestCase
{
    private const VERBS = [
        Verb::CutOff,
        Verb::Remove,
        Verb::Remove,
        Verb::Trim,
        Verb::Fold,
        Verb::Open,
        Verb::Twist,
        Verb::Wind,
        Verb::Tear,
        Verb::Slit,
        Verb::Tin,
        Verb::Score,
        Verb::Untwist,
        Verb::Point,
        Verb::Insulate,
        Verb::Ferrule,
    ];

    private readonly Randomizer $dice;

    protected function setUp(): void
    {
        $this->dice = new Randomizer(new Mt19937(1801));
    }

    public function test_layers_stay_inside_one_another_and_nothing_comes_back(): void
    {
        $done = 0;
        for ($n = 0; $n < 1000; $n++) {
            $on = new Workpiece($this->end());
            for ($s = 0; $s < 12; $s++) {
                [$act, $doing] = $this->step($on->end);
                if ($act->needs($on, $doing) !== []) {
                    continue;
                }
                $then = $act->done($on, $doing);
                self::holds($on, $then, $doing);
                $regions = $act->regions($on, $doing);
                foreach ($then->end->pieces as $key => $piece) {
                    $isWritten = in_array((string) $key, $regions->writes, true);
                    $isAsBefore = $piece == $on->end->pieces[$key];
                    self::assertTrue($isWritten || $isAsBefore, $doing->step->verb->value.' '.$key);
                }
                $on = $then;
                $done++;
            }
        }
        self::assertGreaterThan(3_000, $done, 'steps that could be done');
    }

    /** Of every cable that can be bought: each conductor once, and round it what is round it. */
    public function test_every_cable_comes_off_its_reel_as_it_is_made(): void
    {
        foreach (Bench::microphone()->installation->catalogue->cables() as $id => $cable) {
            $end = AsCut::of($cable);
            $conductors = array_filter($end->pieces, static fn (Piece $piece): bool => $piece->kind->isConductor());
            self::assertEqualsCanonicalizing(
                array_map(strval(...), array_keys($cable->conductors())),
                array_values(array_map(static fn (Piece $piece): string => $piece->element, $conductors)),
                (string) $id,
            );
            foreach ($end->pieces as $piece) {
                self::assertSame([], array_diff($piece->within, array_keys($end->pieces)), (string) $id);
                self::assertTrue($piece->kind === PieceKind::Sheath || $piece->within[0] === 'sheath ', (string) $id);
            }
        }
    }

    private static function holds(Workpiece $before, Workpiece $after, Doing $doing): void
    {
        $what = $doing->step->verb->value;
        foreach ($after->end->pieces as $key => $piece) {
            self::assertLessThanOrEqual($piece->edge->nanometres, $before->end->pieces[$key]->edge->nanometres, $what);
            self::assertLessThanOrEqual($piece->edge->nanometres, $after->used()->nanometres, $what);
            foreach ($piece->within as $around) {
                $outer = $after->end->pieces[$around];
                if (! $outer->lie->isAside()) {
                    self::assertLessThanOrEqual(
                        $outer->edge->nanometres,
                        $piece->edge->nanometres,
                        sprintf('%s: %s ends inside %s', $what, $key, $around),
                    );
                }
            }
        }
    }

    /** Some layers round each other, then a few cores in one or in several screens. */
    private function end(): CableEnd
    {
        $pieces = [Piece::asCut('', PieceKind::Sheath)];
        $within = [$pieces[0]->key()];
        foreach ([PieceKind::Braid, PieceKind::Foil, PieceKind::InnerSheath, PieceKind::Wrap] as $kind) {
            if ($this->dice->getInt(0, 2) === 0) {
                $layer = Piece::asCut('', $kind, ...$within);
                $pieces[] = $layer;
                $within[] = $layer->key();
            }
        }
        foreach ([PieceKind::Drain, PieceKind::Cord, PieceKind::Separator, PieceKind::Filler] as $kind) {
            array_push($pieces, ...$this->dice->getInt(0, 1) === 0 ? [Piece::asCut('', $kind, ...$within)] : []);
        }
        foreach (range(1, $this->dice->getInt(1, 4)) as $pair) {
            $in = $within;
            if ($this->dice->getInt(0, 1) === 0) {
                $foil = Piece::asCut('p'.$pair, PieceKind::Foil, ...$within);
                $pieces[] = $foil;
                $in[] = $foil->key();
            }
            foreach (['a', 'b'] as $core) {
                $over = Piece::asCut('p'.$pair.'/'.$core, PieceKind::Insulation, ...$in);
                $metal = Piece::asCut('p'.$pair.'/'.$core, PieceKind::Metal, ...[...$in, $over->key()]);
                array_push($pieces, $over, $this->dice->getInt(0, 1) === 0 ? $metal : $metal->ofOneWire());
            }
        }

        return CableEnd::of($pieces);
    }

    /** @return array{\Sartal\Core\Ends\Making\Act, Doing} */
    private function step(CableEnd $end): array
    {
        $verb = self::VERBS[$this->dice->getInt(0, count(self::VERBS) - 1)];
        $kinds = PieceKind::cases();
        $kind = $kinds[$this->dice->getInt(0, count($kinds) - 1)];
        $from = [
            MeasuredFrom::CutEnd,
            MeasuredFrom::CutEnd,
            MeasuredFrom::OwnEnd,
            MeasuredFrom::SheathEdge,
            MeasuredFrom::InsulationEdge,
        ][$this->dice->getInt(0, 4)];
        $length = Length::millimetres($this->dice->getInt(0, 60));
        $step = new MakingStep(
            'drawn',
            $verb,
            new Selector($verb === Verb::CutOff ? [] : [$kind]),
            new Measure($length, $length->canonical(), MeasureKind::Mark, $from),
        );
        $station = new Station();

        return [Acts::of($verb), new Doing($step, $station, Picked::by($step->of, $end, $station))];
    }
}
