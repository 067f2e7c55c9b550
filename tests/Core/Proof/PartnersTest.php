<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Testing\MapMethod;
use Tests\Support\Bench;
use Tests\Support\Mishaps;

/** Two cores exchanged across pairs while a partner of one of them is open: the pair test is silent about that pair. */
final class PartnersTest extends TestCase
{
    public function test_every_exchange_across_pairs_with_an_open_partner_is_explained(): void
    {
        $of = new Mishaps(Bench::category(), 1);
        $ends = [];
        foreach ($of->expectation->wiring->edges as $edge) {
            if ($edge->kind === EdgeKind::Joint) {
                // "c:C-1:A:p2/a": pair two.
                $ends[Node::fitting($edge->to)][strstr($edge->from, '/', true)][] = $edge;
            }
        }
        $tried = 0;
        foreach ($ends as $pairs) {
            foreach ($pairs as $name => $one) {
                foreach ($pairs as $otherName => $other) {
                    if ($name >= $otherName) {
                        continue;
                    }
                    foreach ([$one[1], $other[1]] as $open) {
                        $this->tried($of, $one[0], $other[0], $open);
                        $tried++;
                    }
                }
            }
        }
        self::assertSame(24, $tried);
    }

    private function tried(Mishaps $of, Edge $one, Edge $other, Edge $open): void
    {
        $made = $of->expectation->wiring->edited(
            new WiringEdit([
                $one->id => $one->movedTo($other->to),
                $other->id => $other->movedTo($one->to),
                $open->id => null,
            ]),
        );
        $whole = MapMethod::read($made, $of->expectation->setup);
        $wiring = $of->expectation->wiring;
        foreach (Diagnostician::for($of->places, $of->expectation, $whole)->troubles as $trouble) {
            self::assertNotSame([], $trouble->causes, $one->id.' '.$other->id.' '.$open->id);
            foreach ($trouble->causes[0]->faults as $fault) {
                $wiring = $wiring->edited($fault->edit);
            }
        }
        self::assertEquals($whole, MapMethod::read($wiring, $of->expectation->setup));
    }
}
