<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Proof\Testing\MapMethod;
use Tests\Support\Bench;

final class WiringTest extends TestCase
{
    /** @return list<Edge> */
    private static function randomEdges(int $seed): array
    {
        mt_srand($seed);
        $edges = [];
        for ($i = 0; $i < mt_rand(3, 40); $i++) {
            $edges[] = new Edge(
                'e'.$i,
                EdgeKind::Link,
                'n'.mt_rand(0, 20),
                'n'.mt_rand(0, 20),
                closed: mt_rand(0, 4) > 0,
            );
        }

        return $edges;
    }

    /** What conducts, worked out the slow way: spread until nothing changes. */
    private static function conducts(array $edges, string $from): array
    {
        $reached = [$from => true];
        do {
            $before = count($reached);
            foreach ($edges as $edge) {
                if ($edge->closed && (isset($reached[$edge->from]) || isset($reached[$edge->to]))) {
                    $reached[$edge->from] = $reached[$edge->to] = true;
                }
            }
        } while (count($reached) > $before);
        $nodes = array_keys($reached);
        sort($nodes);

        return $nodes;
    }

    private static function reach(Wiring $wiring, string $node): array
    {
        $nodes = array_keys($wiring->reach($node));
        sort($nodes);

        return $nodes;
    }

    public function test_reach_is_what_spreading_gives(): void
    {
        for ($seed = 1; $seed <= 100; $seed++) {
            $edges = self::randomEdges($seed);
            $wiring = Wiring::from($edges);
            foreach ($wiring->nodes() as $node) {
                self::assertSame(self::conducts($edges, $node), self::reach($wiring, $node), 'seed '.$seed);
            }
        }
    }

    public function test_pieces_are_the_reaches(): void
    {
        for ($seed = 1; $seed <= 100; $seed++) {
            $wiring = Wiring::from(self::randomEdges($seed));
            $pieces = $wiring->pieces();
            foreach ($wiring->nodes() as $node) {
                $same = array_keys($pieces, $pieces[$node], true);
                sort($same);
                self::assertSame(self::reach($wiring, $node), $same, 'seed '.$seed);
            }
        }
    }

    public function test_an_edited_wiring_is_the_wiring_of_the_edited_edges_and_leaves_the_first_alone(): void
    {
        for ($seed = 1; $seed <= 100; $seed++) {
            $edges = self::randomEdges($seed);
            $wiring = Wiring::from($edges);
            $edit = new WiringEdit([
                'e0' => null,
                'e1' => $edges[1]->movedTo('n5'),
                'new' => new Edge('new', EdgeKind::Stray, 'n1', 'n7'),
                'e2' => $edges[2]->movedTo('n9')->operated(true),
            ]);
            $edited = $wiring->edited($edit);
            $rebuilt = Wiring::from($edited->edges);
            foreach ($rebuilt->nodes() as $node) {
                self::assertSame(self::reach($rebuilt, $node), self::reach($edited, $node), 'seed '.$seed);
            }
            foreach ($wiring->nodes() as $node) {
                self::assertSame(
                    self::conducts($edges, $node),
                    self::reach($wiring, $node),
                    'the first is as it was, seed '.$seed,
                );
            }
        }
    }

    public function test_an_edge_is_moved_by_a_copy_and_has_an_opposite_for_each_end(): void
    {
        $edge = new Edge('e', EdgeKind::Joint, 'a', 'b');
        self::assertSame('c', $edge->movedTo('c')->to);
        self::assertSame('b', $edge->to);
        self::assertSame('a', $edge->opposite('b'));
        self::assertSame('b', $edge->opposite('a'));
        self::assertSame([], WiringEdit::nothing()->edges);
    }

    public function test_disjoint_sets_are_the_pieces_of_their_joins(): void
    {
        for ($seed = 1; $seed <= 50; $seed++) {
            $edges = array_map(static fn (Edge $edge): Edge => $edge->operated(true), self::randomEdges($seed));
            $sets = new DisjointSets();
            foreach ($edges as $edge) {
                $sets->join($edge->from, $edge->to);
            }
            foreach ($sets->groups() as $group) {
                sort($group);
                self::assertSame(self::conducts($edges, $group[0]), $group);
            }
        }
    }

    public function test_a_partial_reading_is_part_of_the_whole(): void
    {
        $expectation = Bench::stageBox()->expectation();
        foreach (array_slice(array_keys($expectation->setup->from), 0, 12) as $row) {
            $lit = MapMethod::lights($expectation->wiring, $expectation->setup, [$row])[$row];
            sort($lit);
            self::assertSame($expectation->reading->lights[$row], $lit);
        }
    }

    public function test_a_conductors_resistance_follows_from_length_and_gauge(): void
    {
        $bench = Bench::of(
            Bench::request('L-1', 'loudspeaker-2', ['loudspeaker'], ['speaker4-cable-1'], ['speaker4-cable-1']),
        );
        $metres = $bench->plan()->runs['L-1']->cut->result->inMetres();
        // Copper 17.241 nΩ·m (IEC 60028) over 2.5 mm².
        self::assertEqualsWithDelta(
            (17.241e-9 / 2.5e-6) * $metres,
            $bench->expectation()->wiring->edges['c:L-1:p1/a']->ohms,
            1e-9,
        );
    }

    public function test_bare_conductors_side_by_side_touch_and_those_of_other_pairs_do_not(): void
    {
        $bench = Bench::of(
            Bench::request(
                'A-1',
                'pair-braid',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        $wiring = $bench->expectation()->wiring;
        self::assertArrayHasKey(
            Node::conductor('A-1', Side::A, 'p1/braid'),
            $wiring->reach(Node::conductor('A-1', Side::A, 'p1/drain')),
        );
        $many = Bench::stageBox()->expectation()->wiring;
        self::assertArrayNotHasKey(
            Node::conductor('M-1', Side::A, 'p2/drain'),
            $many->reach(Node::conductor('M-1', Side::A, 'p1/drain')),
        );
    }

    public function test_the_house_rule_on_shells_decides_what_the_shell_lights(): void
    {
        $bench = Bench::microphone();
        self::assertSame([], $bench->expectation()->reading->lights['t:A-1.a1/shell']);
        $bonded = $bench->with(rules: HouseRules::defaults()->with(ShellBond::Bonded));
        self::assertSame(['t:A-1.b1/1', 't:A-1.b1/shell'], $bonded->expectation()->reading->lights['t:A-1.a1/shell']);
    }

    /** A split panel in small: one input, its screen through a lift to a second output. */
    public function test_a_ground_lift_and_a_y_joint_come_out_of_splices_links_and_switches(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->runs()['A-1'];
        $lifted = new HandJoint('p1/drain', 'splice:s1', 'ground lift');
        $end = new \Sartal\Core\Given\Installation\End(
            'there',
            $run->b->tail,
            $run->b->slack,
            $run->b->preparation,
            0,
            $run->b->legs,
            [$lifted],
        );
        $panel = $bench
            ->withRun(new Run('A-1', 'A-1', $run->cable, $run->build, $run->a, $end, $run->ways, $run->carries))
            ->with(
                fittings: [
                    ...$bench->installation->fittings(),
                    'second' => new Fitting('second', 'Second output', 'xlr3-male-panel', 'there'),
                ],
                splices: ['s1'],
                links: [
                    new Link('A-1.b1/2', 'second/2'),
                    new Link('A-1.b1/3', 'second/3'),
                    new Link('splice:s1', 'second/1'),
                ],
                switches: ['lift' => new PanelSwitch('lift', 'Ground lift', 'splice:s1', 'A-1.b1/1', true)],
            );
        $plan = $panel->plan();
        self::assertCount(1, $plan->assemblies);
        self::assertContains('second', $plan->assemblies['A-1']->fittings);
        $expectation = $panel->expectation();
        self::assertSame(
            ['t:A-1.b1/2', 't:second/2'],
            array_values(array_diff($expectation->reading->lights['t:A-1.a1/2'], ['t:A-1.a1/2'])),
        );
        self::assertContains('t:A-1.b1/1', $expectation->reading->lights['t:A-1.a1/1']);
        $open = $expectation->wiring->edited(
            new WiringEdit(['p:lift' => $expectation->wiring->edges['p:lift']->operated(false)]),
        );
        $lit = MapMethod::read($open, $expectation->setup)->lights['t:A-1.a1/1'];
        self::assertNotContains('t:A-1.b1/1', $lit);
        self::assertContains('t:second/1', $lit, 'the leg that feeds phantom power keeps its screen');
        $joints = $plan->runs['A-1']->end(Side::B)->joints;
        self::assertContains('ground lift', array_map(static fn ($joint): string => $joint->byHand, $joints));
    }

    public function test_a_cable_with_bare_ends_is_probed_at_its_cores(): void
    {
        $bench = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-t568b'], []));
        $expectation = $bench->expectation();
        self::assertCount(8, $expectation->setup->to);
        self::assertSame(['c:C-1:B:p2/a'], $expectation->reading->lights['t:C-1.a1/1']);
        self::assertContains(
            'end.no-leg',
            array_map(static fn ($finding): string => $finding->code, $bench->plan()->findings()),
        );
    }

    public function test_node_names(): void
    {
        self::assertSame('t:f/2/hot', Node::named('f/2/hot'));
        self::assertSame('s:x', Node::named('splice:x'));
        self::assertSame(['f', '2/hot'], [Node::fitting('t:f/2/hot'), Node::address('t:f/2/hot')]);
        self::assertNull(Node::fitting('c:r:A:p1/a'));
        self::assertSame('', Node::address('s:x'));
        self::assertTrue(Node::isShell('t:f/2/shell'));
        self::assertFalse(Node::isShell('s:shell'));
    }
}
