<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Parts\PartsPlanner;

/** A leg that leaves its sheath with others may be sleeved by itself. */
final class LegSleevesTest extends TestCase
{
    private static ?Installation $demo = null;

    /** @param  array<int|string, ?string>  $sleeves  leg → sleeve */
    private static function sleeved(string $run, Side $side, array $sleeves): Installation
    {
        if (self::$demo === null) {
            $file = json_decode(
                (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
                true,
                flags: JSON_THROW_ON_ERROR,
            );
            self::assertIsArray($file);
            // One that goes round nearly everything, and is never the smallest.
            $file['catalogue']['parts'][] = ['id' => 'sleeve-any', 'name' => 'Sleeving that goes round anything',
                'kind' => 'sleeve', 'grips' => ['2 mm', '60 mm']];
            $in = InstallationFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->installation;
            self::$demo = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        }
        $was = self::$demo->theRun($run);
        $legs = array_map(
            static fn (Leg $leg): Leg => $leg->sleevedWith($sleeves[$leg->id] ?? null),
            $was->end($side)->legs,
        );

        return self::$demo->withRun($was->withEnd($side, $was->end($side)->withLegs($legs)));
    }

    /** @return list<Operation> in the order of work */
    private static function steps(Installation $in, string $run): array
    {
        $plan = (new Planner())->plan($in);
        $all = (new OperationPlanner($in))->of($plan->assemblies[$plan->assemblyOf[$run]], $plan->runs);

        return array_values(Traveller::order($all, $in->rules())->operations);
    }

    /** @return array<int|string, float> part → how much of it one run takes */
    private static function parts(Installation $in, string $run): array
    {
        $lines = PartsPlanner::planned($in, (new Planner())->plan($in))->list([$run])->lines;

        return array_map(static fn ($line): float => (float) $line->needed->value, array_column($lines, null, 'id'));
    }

    public function test_it_is_sleeved_before_its_connector_and_its_ends_are_held(): void
    {
        $in = self::sleeved('P-007', Side::B, ['leg-1' => '']);
        $steps = self::steps($in, 'P-007');
        $own = array_keys(array_filter($steps, static fn (Operation $of): bool => $of->leg === 'leg-1' &&
            str_contains($of->id, '|sleeve')));
        self::assertSame(
            ['P-007|B|leg-1|on|sleeve', 'P-007|B|leg-1|on|sleeve-ends', 'P-007|B|leg-1|shrink-tail|sleeve-ends'],
            array_map(static fn (int $i): string => $steps[$i]->id, $own),
        );
        // 350 mm of leg, an eighth more because braid shortens (10 to 15 %, common practice), up to the next 10 mm.
        self::assertSame('400 mm', $steps[$own[0]]->at?->canonical());
        foreach ($steps as $i => $step) {
            if ($step->leg === 'leg-1' && $step->side === Side::B && $step->task === Task::Join) {
                self::assertGreaterThan($own[2], $i, $step->id);
            }
            if ($step->side === Side::B && str_contains($step->words, 'Take the outer sheath off')) {
                self::assertLessThan($own[0], $i, $step->id);
            }
        }
        [$with, $without] = [self::parts($in, 'P-007'), self::parts(self::sleeved('P-007', Side::B, []), 'P-007')];
        $more = [];
        foreach ($with as $part => $amount) {
            $less = $amount - ($without[$part] ?? 0.0);
            if (abs($less) > 1e-9) {
                $more[$in->catalogue->thePart((string) $part)->kind->value] = round($less, 6);
            }
        }
        ksort($more);
        // Two pieces of 40 mm.
        self::assertSame([PartKind::Shrink->value => 0.08, PartKind::Sleeve->value => 0.4], $more);
    }

    /** Opening a composite sleeves its signal leg: what was chosen is what is taken, and nothing goes on twice. */
    public function test_what_opening_the_end_sleeves_is_not_sleeved_again(): void
    {
        $signal = self::sleeved('P-007', Side::B, [])->theRun('P-007')->b->legs[1];
        $cable = self::sleeved('P-007', Side::B, [])->catalogue->theCable(
            self::sleeved('P-007', Side::B, [])->theRun('P-007')->cable,
        );
        $girth = LegSleeving::girth($signal, $cable);
        $fits = [];
        foreach (self::sleeved('P-007', Side::B, [])->catalogue->parts() as $part) {
            if ($part->kind === PartKind::Sleeve && $part->grips?->takes($girth) === true) {
                $fits[] = $part->id;
            }
        }
        self::assertContains('sleeve-any', $fits);
        self::assertGreaterThan(1, count($fits));
        foreach ($fits as $chosen) {
            $steps = self::steps(self::sleeved('P-007', Side::B, [$signal->id => $chosen]), 'P-007');
            $sleeves = array_values(array_filter($steps, static fn (Operation $of): bool => $of->part !== '' &&
                $of->side === Side::B && str_contains($of->id, 'leg-sleeving')));
            self::assertSame([$chosen], array_map(static fn (Operation $of): string => $of->part, $sleeves));
            self::assertSame([], array_filter($steps, static fn (Operation $of): bool => str_contains(
                $of->id,
                $signal->id.'|on|sleeve',
            )));
        }
    }

    public function test_what_does_not_go_round_is_said_so(): void
    {
        $wide = array_filter(
            self::sleeved('P-007', Side::B, [])->catalogue->parts(),
            static fn ($part): bool => $part->kind === PartKind::Sleeve &&
                $part->grips?->least->compare(Length::millimetres(12)) === 1,
        );
        self::assertNotSame([], $wide);
        $in = self::sleeved('P-007', Side::B, ['leg-1' => (string) array_key_first($wide)]);
        $words = array_map(
            static fn ($finding): string => $finding->code.' '.$finding->words,
            (new Planner())->plan($in)->runs['P-007']->findings(),
        );
        self::assertStringContainsString('leg.sleeve P-007 end B: leg 1 is ', implode("\n", $words));
        self::assertSame([], array_filter(self::steps($in, 'P-007'), static fn (Operation $of): bool => str_contains(
            $of->id,
            '|on|sleeve',
        )));
    }

    /**
     * The circle round n alike circles, in their diameter: Kravitz, Packing cylinders into cylindrical containers,
     * Mathematics Magazine 40 (1967); from memory. The sleeve goes round it, and is not more than half wider.
     *
     * @return iterable<string, array{int, float}>
     */
    public static function bundles(): iterable
    {
        yield 'one' => [1, 1.0];
        yield 'two' => [2, 2.0];
        yield 'three' => [3, 2.155];
        yield 'four' => [4, 2.414];
        yield 'seven' => [7, 3.0];
        yield 'eight' => [8, 3.305];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('bundles')]
    public function test_several_elements_are_as_thick_as_their_bundle(int $count, float $round): void
    {
        $in = self::sleeved('M-203', Side::A, []);
        $cable = $in->catalogue->theCable($in->theRun('M-203')->cable);
        $elements = array_map(static fn (int $n): string => 'p'.$n, range(1, $count));
        $one = $cable->diameter('p1')?->inMillimetres();
        self::assertNotNull($one);
        $girth = LegSleeving::girth(new Leg('x', 'x', $elements, Length::zero(), null), $cable)->inMillimetres();
        self::assertGreaterThanOrEqual(min($round * $one, $cable->outerDiameter->inMillimetres()) - 1e-6, $girth);
        self::assertLessThanOrEqual($round * 1.5 * $one, $girth);
    }
}
