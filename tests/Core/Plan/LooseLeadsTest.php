<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Work\Pulling\PullPlanner;
use Sartal\Core\Work\Pulling\SiteStep;
use Tests\Support\Bench;

/** A lead that lies in no building: of a typed length, numbered, labelled and tested like any other. */
final class LooseLeadsTest extends TestCase
{
    private static function patchLead(?Length $length, mixed ...$more): Installation
    {
        $end = new Termination(
            'here',
            ['trs-balanced'],
            Length::zero(),
            Length::zero(),
            Length::millimetres(20),
            0,
            Length::zero(),
        );

        return Bench::of(new RunRequest(
            'PL-1',
            'PL-1',
            'pair-lapped',
            ['analogue'],
            Build::Lead,
            $end,
            $end,
            [],
            length: $length,
        ))->with(...$more)->installation;
    }

    public function test_its_length_is_what_was_typed_and_what_its_ends_take(): void
    {
        $in = self::patchLead(Length::parse('8 in'));
        $plan = (new Planner())->plan($in);
        $cut = $plan->runs['PL-1']->cut;
        $labels = array_map(static fn ($term): string => $term->label, $cut->terms);
        self::assertSame('length of the lead', $labels[0]);
        foreach (['ways', 'tails', 'service slack', 'route allowance'] as $ofABuilding) {
            self::assertNotContains($ofABuilding, $labels);
        }
        // 8 in are 203.2 mm, exactly (international inch, 1959); both ends take 20 mm at least.
        self::assertSame(203.2, $cut->terms[0]->amount->inMillimetres());
        self::assertGreaterThanOrEqual(243.2, $cut->result->inMillimetres());
        // It is not rounded up as what is paid out through a building.
        self::assertLessThan(300.0, $cut->result->inMillimetres());
    }

    public function test_it_has_no_way_no_finding_of_one_and_no_place_to_be_pulled_to(): void
    {
        // There is no way at all.
        $in = self::patchLead(Length::metres(2), ways: []);
        $plan = (new Planner())->plan($in);
        self::assertSame([], array_filter(
            array_map(static fn ($finding): string => $finding->code, $plan->findings()),
            static fn (string $code): bool => preg_match('~^(route|way|loom|end|lead)\.~', $code) === 1,
        ));
        self::assertSame([], (new PullPlanner($in, $plan))->pulls());
        self::assertSame([], SiteStep::for(Build::Lead));
        self::assertSame(
            ['cut', 'end-a', 'end-b', 'look', 'label', 'test', 'signed'],
            array_map(static fn (Stage $stage): string => $stage->value, Stage::for(Build::Lead)),
        );
        self::assertCount(2, $plan->runs['PL-1']->labels);
    }

    public function test_one_without_a_length_is_asked_for_it(): void
    {
        $codes = array_map(
            static fn ($finding): string => $finding->code,
            (new Planner())->plan(self::patchLead(null))->findings(),
        );
        self::assertContains('lead.no-length', $codes);
    }

    public function test_a_file_keeps_its_length(): void
    {
        $run = self::patchLead(Length::parse('8 in'))->theRun('PL-1');
        $shape = RunCodec::encode($run);
        self::assertSame(['lead', '203.2 mm'], [$shape['build'], $shape['length']]);
        self::assertTrue($run->isLoose());
    }
}
