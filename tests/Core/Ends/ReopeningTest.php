<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\Reopening;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Tests\Support\CatalogueEnd;
use Tests\Support\EndsOfTheCatalogue;
use Tests\Support\Stand;

/**
 * What a defect goes back to, and what lies on the cable before anything is joined. Common practice: solder comes
 * undone, a screw opens, a contact is extracted; what is cut, crimped or pressed through is scrap.
 */
final class ReopeningTest extends TestCase
{
    /** @var array<string, CatalogueEnd> */
    private static array $ends = [];

    private static function end(string $procedure): CatalogueEnd
    {
        foreach (self::$ends === [] ? (new EndsOfTheCatalogue(ShippedCatalogue::load()))->all() : [] as $end) {
            if ($end->procedure !== null && ! str_contains($end->name, '-panel')) {
                self::$ends[$end->procedure->id] ??= $end;
            }
        }

        return self::$ends[$procedure];
    }

    private static function made(CatalogueEnd $end): Made
    {
        self::assertNotNull($end->procedure);

        return Made::by($end->procedure, $end->workpiece, $end->station);
    }

    private static function reopened(string $procedure, string $defect): ?Reopening
    {
        $end = self::end($procedure);
        self::assertNotNull($end->procedure);

        return Reopening::of(self::made($end), $end->procedure, $defect);
    }

    /** @return iterable<string, array{string, string, list<string>, list<string>}> where, what, again, not again */
    public static function undone(): iterable
    {
        yield 'a dry joint is heated again, and looked at again' => [
            'cup-3-pole',
            'dry joint',
            ['join', 'joints-cool', 'tug', 'strands', 'colours', 'shell-home', 'shut'],
            ['boot-on', 'sheath-off', 'bare', 'cores-tin', 'screen-trim'],
        ];
        yield 'exchanged cores change places' => [
            'cup-3-pole',
            'exchanged',
            ['join', 'colours', 'shut'],
            ['sheath-off', 'cores-tin', 'cups-fill'],
        ];
        yield 'a contact is pushed home' => [
            'rectangular-crimp',
            'contact not home',
            ['load', 'chart', 'hood', 'shut'],
            ['contacts', 'blocks', 'sheath-off'],
        ];
        yield 'a terminal is tightened' => [
            'mains-screws',
            'loose terminal',
            ['earth-in', 'cores-in', 'tug', 'polarity', 'shell-home', 'shut'],
            ['bare', 'earth-ferrule', 'sheath-off', 'nut-on'],
        ];
        yield 'a wrong order is laid anew, before it is pressed' => [
            'category-plug',
            'order',
            ['order', 'push', 'through'],
            ['sheath-off', 'untwist'],
        ];
    }

    /**
     * @param  list<string>  $again
     * @param  list<string>  $stays
     */
    #[DataProvider('undone')]
    public function test_what_comes_undone_is_done_again(
        string $procedure,
        string $defect,
        array $again,
        array $stays,
    ): void {
        $reopening = self::reopened($procedure, $defect);
        self::assertNotNull($reopening);
        self::assertSame([], array_values(array_diff($again, $reopening->steps)));
        self::assertSame([], array_values(array_intersect($stays, $reopening->steps)));
        self::assertSame([false, 0, []], [$reopening->cutsBack, $reopening->lost->nanometres, $reopening->scraps]);
    }

    /** @return iterable<string, array{string, string, int, list<string>}> procedure, defect, µm lost, scraps */
    public static function forGood(): iterable
    {
        yield 'a nick' => ['cup-3-pole', 'nicked', 20_000, []];
        yield 'a clamp on the cores' => ['cup-3-pole', 'clamp on the cores', 20_000, []];
        yield 'solder up to the sheath' => ['cup-3-pole', 'wicked stiff', 20_000, []];
        yield 'too much bare' => ['cup-3-pole', 'bare core too long', 20_000, []];
        yield 'one conductor short' => ['cup-3-pole', 'one conductor short', 20_000, []];
        yield 'a bad crimp' => ['rectangular-crimp', 'bad crimp', 203_200, ['contact']];
        yield 'a core that is short in a plug' => ['category-plug', 'one core short', 38_100, ['connector']];
        yield 'a strand at the centre' => ['bnc-crimp', 'strand at the centre', 12_000, ['pin', 'ferrule']];
        yield 'copper outside' => ['mains-screws', 'copper outside', 45_000, []];
    }

    /** @param  list<string>  $scraps */
    #[DataProvider('forGood')]
    public function test_what_does_not_come_undone_is_cut_back_to_whole_sheath(
        string $procedure,
        string $defect,
        int $lost,
        array $scraps,
    ): void {
        $reopening = self::reopened($procedure, $defect);
        self::assertTrue($reopening?->cutsBack);
        self::assertSame([$lost * 1000, $scraps], [$reopening->lost->nanometres, $reopening->scraps]);
        $made = self::made(self::end($procedure));
        foreach ($made->steps as $step) {
            // What lies on the cable stays there; a crimped ferrule goes with what is cut off.
            $stays = $step->step->verb === Verb::Slide && ! in_array($step->step->part, $scraps, true);
            self::assertSame(! $stays, in_array($step->step->id, $reopening->steps, true), $step->step->id);
        }
    }

    public function test_every_defect_that_is_looked_for_goes_back_to_something(): void
    {
        self::end('cup-3-pole');
        $tried = 0;
        foreach (self::$ends as $end) {
            self::assertNotNull($end->procedure);
            $made = self::made($end);
            $defects = [
                ...array_map(static fn (StepMade $step): string => $step->step->catches, $made->steps),
                ...array_map(static fn ($demand): string => $demand->defect, $end->procedure->demands),
            ];
            foreach (array_filter(array_unique($defects)) as $defect) {
                $reopening = Reopening::of($made, $end->procedure, $defect);
                self::assertNotSame([], $reopening?->steps, $end->procedure->id.' '.$defect);
                $tried++;
            }
            self::assertNull(Reopening::of($made, $end->procedure, 'something else'));
        }
        self::assertGreaterThan(40, $tried);
    }

    /** Boot, nut and shell in the order in which they lie there; over an open far end they can still come. */
    public function test_the_gate_is_what_cannot_come_any_more(): void
    {
        $parts = static fn (Made $made): array => array_map(
            static fn (StepMade $step): string => $step->step->part,
            $made->gate(),
        );
        $end = self::end('cup-3-pole');
        self::assertSame(['boot', 'nut', 'shell'], $parts(self::made($end)));
        self::assertNotNull($end->procedure);
        $open = Stand::but($end->station, ...['far' => FarEnd::Open]);
        self::assertSame([], $parts(Made::by($end->procedure, $end->workpiece, $open)));
        self::assertSame(['boot', 'ferrule'], $parts(self::made(self::end('bnc-crimp'))));
        self::assertSame(['hood'], $parts(self::made(self::end('rectangular-crimp'))));
    }
}
