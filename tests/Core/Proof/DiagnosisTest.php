<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/** Faults are made in the wiring, read, and must be among what the diagnosis lists. */
final class DiagnosisTest extends TestCase
{
    public function test_a_good_cable_passes_and_has_no_trouble(): void
    {
        foreach ([Bench::microphone(), Bench::category(), Bench::coax(), Bench::stageBox()] as $bench) {
            self::assertSame(Verdict::Passes, $bench->expectation()->verdict($bench->readingWith()));
            self::assertSame([], $bench->causes($bench->readingWith()));
        }
    }

    public function test_lines_not_read_leave_it_incomplete(): void
    {
        $bench = Bench::microphone();
        $lights = $bench->expectation()->reading->lights;
        array_pop($lights);
        self::assertSame(Verdict::Incomplete, $bench->expectation()->verdict(new Reading($lights)));
        self::assertSame(Verdict::Incomplete, $bench->expectation()->verdict(new Reading([])));
    }

    public function test_hot_and_cold_swapped_is_named_at_either_end_with_its_consequence(): void
    {
        $bench = Bench::microphone();
        $reading = $bench->readingWith($bench->swap('A-1.b1/2', 'A-1.b1/3'));
        self::assertSame(
            [
                [
                    'Hot and cold, contacts 2 and 3, are swapped at end A, A-1 A',
                    'Hot and cold, contacts 2 and 3, are swapped at end B, A-1 B',
                ],
            ],
            $bench->causes($reading),
        );

        $plan = $bench->plan();
        $assembly = $plan->assemblies['A-1'];
        $diagnosis = $bench->assemblies()->diagnose($assembly, $bench->expectation(), $reading);
        $words = $bench->assemblies()->words($assembly);
        $fault = $diagnosis->troubles[0]->causes[0]->faults[0];
        self::assertStringContainsString('Polarity is inverted', $words->consequence($fault));
        self::assertSame('A', $words->side($fault));
    }

    public function test_a_swap_at_both_ends_reads_like_none(): void
    {
        $bench = Bench::microphone();
        $both = $bench->readingWith($bench->swap('A-1.a1/2', 'A-1.a1/3'), $bench->swap('A-1.b1/2', 'A-1.b1/3'));
        self::assertSame(Verdict::Passes, $bench->expectation()->verdict($both));
    }

    public function test_an_open_a_short_and_a_shell_bond(): void
    {
        $bench = Bench::microphone();
        $open = $bench->causes($bench->readingWith(new WiringEdit([$bench->joint('A-1.b1/1') => null])))[0];
        self::assertContains('Contact 1 (screen) is open at end B, A-1 B', $open);
        self::assertContains('Contact 1 (screen) is open at end A, A-1 A', $open);

        $short = $bench->causes($bench->readingWith(self::bridge('t:A-1.b1/2', 't:A-1.b1/3')))[0];
        self::assertContains('Hot and cold, contacts 2 and 3, are bridged at end B, A-1 B', $short);

        $shell = $bench->causes($bench->readingWith(self::bridge('t:A-1.b1/1', 't:A-1.b1/shell')))[0];
        self::assertSame(['Contact 1 (screen) touches the shell at end B, A-1 B'], $shell);
    }

    public function test_category_pair_faults_by_their_published_terms(): void
    {
        // TIA-568 terms: reversed pair, crossed (transposed) pairs, split pair.
        $bench = Bench::category();
        $consequences = fn (Reading $reading): string => $this->consequences($bench, $reading);
        self::assertStringContainsString(
            'Reversed pair',
            $consequences($bench->readingWith($bench->swap('C-1.b1/1', 'C-1.b1/2'))),
        );
        $crossed = $bench->readingWith($bench->swap('C-1.b1/1', 'C-1.b1/3'), $bench->swap('C-1.b1/2', 'C-1.b1/6'));
        self::assertStringContainsString('Crossed pairs', $consequences($crossed));
        $split = $bench->readingWith($bench->swap('C-1.a1/2', 'C-1.a1/6'), $bench->swap('C-1.b1/2', 'C-1.b1/6'));
        self::assertSame($bench->expectation()->reading->lights, $split->lights, 'continuity cannot see a split pair');
        self::assertSame(Verdict::Fails, $bench->expectation()->verdict($split));
        self::assertStringContainsString('Split pair', $consequences($split));
        self::assertSame(
            Verdict::Passes,
            $bench->expectation()->verdict(new Reading($split->lights)),
            'without a pair test it passes',
        );
    }

    /** One end T568A and the other T568B reads as pairs 2 and 3 transposed. */
    public function test_mixed_colour_codes_read_as_crossed_pairs(): void
    {
        $good = Bench::category('8p8c-plug-t568b');
        $mixed = Bench::category('8p8c-plug-t568a');
        $taken = $mixed->expectation()->reading;
        self::assertStringContainsString('T568A', $this->consequences($good, new Reading($taken->lights, [])));
    }

    public function test_a_fault_that_no_source_knows_composed_of_two_edits_is_found(): void
    {
        // A core on its neighbour's contact, and that neighbour's joint open: no source makes both.
        $bench = Bench::microphone();
        $edges = $bench->expectation()->wiring->edges;
        $hot = $bench->joint('A-1.b1/2');
        $fault = new WiringEdit([$hot => $edges[$hot]->movedTo('t:A-1.b1/3'), $bench->joint('A-1.b1/3') => null]);
        $reading = $bench->readingWith($fault);
        $diagnosis = self::diagnosis($bench, $reading);
        self::assertCount(1, $diagnosis->troubles);
        self::assertNotSame([], $diagnosis->troubles[0]->causes);
        foreach ($diagnosis->troubles[0]->causes as $cause) {
            self::assertCount(2, $cause->faults);
            self::assertEquals(
                $reading,
                $bench->readingWith(...array_map(static fn ($each): WiringEdit => $each->edit, $cause->faults)),
                'what is listed must read the same',
            );
        }
    }

    public function test_faults_with_no_contact_in_common_are_explained_apart(): void
    {
        $bench = Bench::stageBox();
        $named = $bench->causes(
            $bench->readingWith(
                $bench->swap('M-1.b1/C7', 'M-1.b1/C8'),
                new WiringEdit([$bench->joint('M-1.b1/A1') => null]),
            ),
        );
        self::assertCount(2, $named);
        $all = array_merge(...$named);
        self::assertContains(
            'Channel 15 hot and channel 15 cold, contacts C7 and C8, are swapped at end B, M-1 B',
            $all,
        );
        self::assertContains('Contact A1 (channel 1 hot) is open at end B, M-1 B', $all);
    }

    /** @return iterable<string, array{int}> */
    public static function shifts(): iterable
    {
        yield 'one contact on' => [1];
        yield 'a whole channel on' => [3];
    }

    #[DataProvider('shifts')]
    public function test_a_block_loaded_too_far_on(int $by): void
    {
        $bench = Bench::stageBox();
        $layout = FittingLayout::unfolded($bench->installation->fittings()['M-1.b1'], $bench->installation->catalogue);
        $row = array_map(strval(...), array_keys($layout->cavities ?? []));
        $edges = [];
        foreach ($bench->expectation()->wiring->edges as $id => $edge) {
            if (str_starts_with($id, 'j:M-1:B:')) {
                $place = array_search(substr($edge->to, strlen('t:M-1.b1/')), $row, true);
                self::assertIsInt($place);
                $edges[$id] = $edge->movedTo('t:M-1.b1/'.$row[$place + $by]);
            }
        }
        $causes = $bench->causes($bench->readingWith(new WiringEdit($edges)));
        self::assertSame(
            [
                [
                    sprintf(
                        'Everything from contact A1 to D18 sits %d %s too far on at end B, M-1 B',
                        $by,
                        $by === 1 ? 'place' : 'places',
                    ),
                ],
            ],
            $causes,
        );
    }

    /** Property: whatever single fault is made, it is listed, and everything listed reads the same. */
    public function test_every_single_fault_is_among_its_own_diagnosis(): void
    {
        foreach ([Bench::microphone(), Bench::coax(), Bench::category()] as $bench) {
            $expectation = $bench->expectation();
            $terminals = array_filter(
                $expectation->wiring->nodes(),
                static fn (string $node): bool => str_starts_with($node, 't:'),
            );
            $faults = [];
            foreach ($expectation->wiring->edges as $edge) {
                $faults[] = new WiringEdit([$edge->id => null]);
                foreach ($edge->kind === EdgeKind::Joint ? $terminals : [] as $terminal) {
                    $sameFitting = explode('/', $terminal)[0] === explode('/', $edge->to)[0];
                    if ($sameFitting && $terminal !== $edge->to) {
                        $faults[] = new WiringEdit([$edge->id => $edge->movedTo($terminal)]);
                        $faults[] = self::bridge($edge->to, $terminal);
                    }
                }
            }
            foreach ($faults as $fault) {
                $reading = $bench->readingWith($fault);
                if ($reading->lights === $expectation->reading->lights) {
                    continue;
                }
                $readings = [];
                foreach (self::diagnosis($bench, $reading)->troubles as $trouble) {
                    self::assertNotSame([], $trouble->causes);
                    $readings[] = array_map(
                        static fn ($cause): Reading => $bench->readingWith(
                            ...array_map(static fn ($each): WiringEdit => $each->edit, $cause->faults),
                        ),
                        $trouble->causes,
                    );
                }
                if (count($readings) === 1) {
                    foreach ($readings[0] as $simulated) {
                        self::assertEquals($reading, $simulated);
                    }
                }
            }
        }
    }

    public function test_it_says_when_nothing_fits(): void
    {
        $bench = Bench::microphone();
        // Lights that no bridge between terminals could make: one way and not the other.
        $lights = [
            't:A-1.a1/1' => ['t:A-1.b1/1', 't:A-1.b1/2'],
            't:A-1.a1/2' => ['t:A-1.b1/3', 't:A-1.b1/shell'],
            't:A-1.a1/3' => ['t:A-1.b1/1'],
            't:A-1.a1/shell' => ['t:A-1.b1/2'],
        ];
        self::assertSame([], self::diagnosis($bench, new Reading($lights))->troubles[0]->causes);
    }

    /** However wild the reading: nobody waits for minutes, and nothing is listed that does not read the same. */
    public function test_a_connector_loaded_at_random_is_answered_all_the_same(): void
    {
        $bench = Bench::stageBox();
        mt_srand(1);
        $edges = array_filter(
            $bench->expectation()->wiring->edges,
            static fn (Edge $edge): bool => str_starts_with($edge->id, 'j:M-1:B:'),
        );
        $terminals = array_map(static fn (Edge $edge): string => $edge->to, array_values($edges));
        shuffle($terminals);
        $loaded = [];
        foreach (array_values($edges) as $i => $edge) {
            $loaded[$edge->id] = $edge->movedTo($terminals[$i]);
        }
        $reading = $bench->readingWith(new WiringEdit($loaded));
        $simulated = 0;
        foreach (self::diagnosis($bench, $reading)->troubles as $trouble) {
            foreach ($trouble->causes as $cause) {
                $again = $bench->readingWith(
                    ...array_map(static fn ($each): WiringEdit => $each->edit, $cause->faults),
                );
                self::assertSame(
                    array_intersect_key($reading->lights, array_flip($trouble->lines)),
                    array_intersect_key($again->lights, array_flip($trouble->lines)),
                );
                $simulated++;
            }
        }
        self::assertGreaterThan(0, $simulated, 'the short loops in it are found');
    }

    public function test_a_muting_switch_is_part_of_the_wiring_at_rest(): void
    {
        $bench = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['trs-balanced'], ['trs-balanced']));
        $jack = $bench->with(
            fittings: [
                'A-1.b1' => new \Sartal\Core\Given\Installation\Fitting('A-1.b1', 'Jack', 'trs-jack-mute', 'there'),
            ] + $bench->installation->fittings(),
        );
        self::assertSame(['t:A-1.b1/sleeve', 't:A-1.b1/tip'], $jack->expectation()->reading->lights['t:A-1.a1/tip']);
        self::assertSame(['t:A-1.b1/tip'], $bench->expectation()->reading->lights['t:A-1.a1/tip']);
    }

    private function consequences(Bench $bench, Reading $reading): string
    {
        $plan = $bench->plan();
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
        $words = $bench->assemblies()->words($assembly);
        $said = [];
        foreach (self::diagnosis($bench, $reading)->troubles as $trouble) {
            foreach ($trouble->causes[0]->faults ?? [] as $fault) {
                $said[] = $words->consequence($fault);
            }
        }

        return implode(' ', $said);
    }

    private static function diagnosis(Bench $bench, Reading $reading): \Sartal\Core\Proof\Diagnosing\Diagnosis
    {
        $plan = $bench->plan();
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
        $places = FaultPlaces::in($assembly, $bench->assemblies($plan)->joints($assembly), $bench->installation);

        return Diagnostician::for($places, $bench->expectation(), $reading);
    }

    private static function bridge(string $one, string $other): WiringEdit
    {
        return new WiringEdit(['bridge' => new Edge('bridge', EdgeKind::Stray, $one, $other)]);
    }
}
