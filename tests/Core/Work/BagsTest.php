<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\SheetLeg;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Parts\PartsPlanner;
use Tests\Support\Bench;

/** What comes in the bag with a connector, and how much of it an end takes. Source: common practice. */
final class BagsTest extends TestCase
{
    /** @return array<string, array{float, float}> part → needed, and back on the shelf */
    private static function parts(Bench $bench): array
    {
        $plan = (new Planner())->plan($bench->installation, new Record());
        $cuts = Cuts::plan(CutFacts::of($bench->installation, $plan), new Record());
        $parts = [];
        foreach (PartsPlanner::planned($bench->installation, $plan)->list(['T-1'], [], $cuts)->lines as $line) {
            $parts[$line->id] = [$line->needed->value, $line->returned];
        }

        return $parts;
    }

    private static function leg(Bench $bench): SheetLeg
    {
        $run = $bench->installation->theRun('T-1');
        $plan = $bench->plan()->runs['T-1'];
        self::assertInstanceOf(RunPlan::class, $plan);
        $sheet = (new EndSheets($bench->installation))->of($run, Side::A, $plan);
        self::assertNotNull($sheet);

        return $sheet->fittings[0]->legs[0];
    }

    private static function line(string $cable, string $signal, string $plan): Bench
    {
        return Bench::of(Bench::request('T-1', $cable, [$signal], [$plan], []));
    }

    public function test_of_several_ferrules_in_a_bag_one_is_used_and_the_others_go_back(): void
    {
        $parts = self::parts(self::line('coax-75-12g', 'video', 'bnc75-plug-captive-video'));
        foreach (['ferrule-coax-mini', 'ferrule-coax-thin', 'ferrule-coax-standard'] as $other) {
            self::assertSame([0.0, 1.0], $parts[$other] ?? null, $other);
        }
        self::assertArrayNotHasKey('ferrule-coax-large', $parts, 'used as it came');
        self::assertArrayNotHasKey('boot-bnc-black', $parts, 'likewise');
    }

    /** Its maker wants two crimps of the ferrule for thin coax, and one of the others. */
    #[TestWith(['coax-75-mini', 'Crimp the ferrule at 2 places'])]
    #[TestWith(['coax-75-standard', 'Crimp the ferrule'])]
    public function test_a_ferrule_is_crimped_as_often_as_its_maker_wants(string $cable, string $words): void
    {
        $bench = self::line($cable, 'video', 'modular-frame-4-video-turned');
        $leg = self::leg($bench);
        self::assertNotNull($leg->made);
        self::assertTrue($leg->made->made->isRight());
        $crimps = array_values(array_filter(
            $leg->made->made->steps,
            static fn (StepMade $step): bool => $step->step->verb === Verb::Crimp && $step->step->part === 'ferrule',
        ));
        $type = $bench->installation->catalogue->theCable($cable);
        self::assertSame([$words], array_map(
            static fn (StepMade $step): string => (new StepWords($type))->does($step->doing),
            $crimps,
        ));
    }

    /** The plug's half holds the contacts that are female elsewhere, and asks for those. */
    public function test_a_plug_may_house_female_contacts(): void
    {
        $parts = self::parts(self::line('coax-75-standard', 'video', 'modular-frame-4-video-turned'));
        self::assertSame(1.0, $parts['contact-modular-coax-female'][0] ?? null);
        self::assertArrayNotHasKey('contact-modular-coax-male', $parts);
    }

    /** Contacts that mate with themselves are the same on both halves. */
    #[TestWith(['modular-frame-4-alike'])]
    #[TestWith(['modular-frame-4-female-alike'])]
    public function test_contacts_that_mate_with_themselves_are_alike_on_both_halves(string $plan): void
    {
        $parts = self::parts(self::line('pair-foil', 'analogue', $plan));
        self::assertSame(3.0, $parts['contact-modular-alike'][0] ?? null);
    }

    /** Two conductors that go to one place share its contact. */
    public function test_a_star_quad_takes_a_contact_for_each_place(): void
    {
        $leg = self::leg(self::line('star-quad', 'analogue', 'modular-frame-4-alike'));
        $places = array_unique(array_map(
            static fn ($core): string => $core->joint->address(),
            $leg->preparation->cores,
        ));
        self::assertCount(3, $places);
        self::assertSame(['contact-modular-alike' => 3], $leg->preparation->contactCounts);
    }

    /** A chuck's tab holds a thin cable; for a thick one it is cut away. */
    #[TestWith(['instrument', true])]
    #[TestWith(['instrument-thin', false])]
    public function test_a_chuck_loses_its_tab_for_thick_cable(string $cable, bool $isThick): void
    {
        $leg = self::leg(self::line($cable, 'unbalanced', 'ts-plug-chuck-unbalanced'));
        $chucks = array_values(array_filter(
            $leg->preparation->slides,
            static fn ($slide): bool => $slide->part->id === 'chuck-phone',
        ));
        self::assertCount(1, $chucks);
        self::assertSame($isThick, str_contains($chucks[0]->note, 'tab'), $chucks[0]->note);
    }

    /** A limit is met by what equals it. */
    #[TestWith(['6.35 mm', true])]
    #[TestWith(['6.36 mm', false])]
    public function test_a_throat_takes_what_is_as_thick_as_it(string $over, bool $fits): void
    {
        $bench = self::line('instrument-thin', 'unbalanced', 'ts-plug-mini-unbalanced')
            ->withCatalogueEdited(['cables.instrument-thin.outerDiameter' => $over]);
        $rules = array_map(static fn (Finding $finding): string => $finding->code, $bench->plan()->findings());
        self::assertSame(! $fits, in_array('fit.entry-too-thick', $rules, true), implode(' ', $rules));
    }

    /** Foam is not crushed by a second crimp, also of the thickest cable, whose lined shrink passes the nut. */
    public function test_the_thickest_coax_is_taken_by_springs(): void
    {
        $leg = self::leg(self::line('coax-50-heavy', 'radio', 'n-plug-heavy-radio'));
        self::assertNotNull($leg->made);
        self::assertSame('n-fingers', $leg->made->procedure->id);
        self::assertTrue($leg->made->made->isRight());
        self::assertSame(['ferrule' => 1], $leg->made->made->result->crimped);
        self::assertContains('shrink', $leg->made->made->result->shrunk);
    }
}
