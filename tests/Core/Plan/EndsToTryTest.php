<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Plan\Proposing\EndsToTry;
use Sartal\Core\Plan\Proposing\TriedEnd;
use Tests\Support\Bench;
use Tests\Support\Procedures;

/** What a procedure is tried on before it is saved: ends that are here, and others that it would make. */
final class EndsToTryTest extends TestCase
{
    private static function composite(): Bench
    {
        return Bench::of(Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
        ));
    }

    /** @return iterable<string, array{string}> */
    public static function shipped(): iterable
    {
        foreach (ShippedCatalogue::load()->procedures() as $procedure) {
            yield $procedure->id => [$procedure->id];
        }
    }

    #[DataProvider('shipped')]
    public function test_each_that_ships_is_tried_on_something_and_is_right_there(string $id): void
    {
        $ends = (new EndsToTry(Procedures::procedure($id), self::composite()->installation))->all();
        self::assertNotSame([], $ends);
        self::assertLessThanOrEqual(16, count($ends));
        foreach ($ends as $end) {
            self::assertSame($id, $end->made->procedure->id);
            self::assertTrue($end->made->made->isRight(), $end->name);
        }
        $names = array_map(static fn (TriedEnd $end): string => $end->name, $ends);
        self::assertSame($names, array_unique($names));
        // Those first that most of its steps are for.
        $steps = array_map(static fn (TriedEnd $end): int => count($end->made->made->steps), $ends);
        $sorted = $steps;
        rsort($sorted);
        self::assertSame($sorted, $steps);
    }

    public function test_what_is_here_is_among_them_by_its_code(): void
    {
        $of = static fn (string $id): array => array_map(
            static fn (TriedEnd $end): string => $end->name,
            array_values(array_filter(
                (new EndsToTry(Procedures::procedure($id), self::composite()->installation))->all(),
                static fn (TriedEnd $end): bool => $end->isHere,
            )),
        );
        self::assertSame(['P-1 end A', 'P-1 end B'], $of('cup-3-pole'));
        self::assertSame(['P-1 end A'], $of('composite-legs'));
        self::assertSame([], $of('f-crimp'));
    }

    /** A copy under another name stands behind the one that it is of: it is tried all the same. */
    public function test_a_copy_is_tried_and_not_what_it_was_copied_from(): void
    {
        $short = Procedures::changed(Procedures::procedure('cup-3-pole'), 'sheath-off', '9 mm');
        $copy = new \Sartal\Core\Given\Catalogue\Procedures\MakingProcedure(
            ...['id' => 'cups-short', 'insteadOf' => ['cup-3-pole'], 'connectors' => ['xlr3-male-cable']] +
                get_object_vars($short),
        );
        $ends = (new EndsToTry($copy, Bench::microphone()->installation))->all();
        self::assertNotSame([], $ends);
        foreach ($ends as $end) {
            self::assertFalse($end->made->made->isRight(), $end->name);
        }
    }

    public function test_what_no_connector_names_is_tried_on_nothing(): void
    {
        $copy = new \Sartal\Core\Given\Catalogue\Procedures\MakingProcedure(
            ...['id' => 'unnamed'] + get_object_vars(Procedures::procedure('f-crimp')),
        );
        self::assertSame([], (new EndsToTry($copy, Bench::microphone()->installation))->all());
    }
}
