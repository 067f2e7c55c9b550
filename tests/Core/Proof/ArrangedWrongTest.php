<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Diagnosing\Cause;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\Entries;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Tests\Support\Bench;

/**
 * Connectors loaded by one misunderstanding. They are made here from the catalogue's plans and places and from
 * published wire orders, by moving joints, not by what the diagnosis looks for.
 */
final class ArrangedWrongTest extends TestCase
{
    private Bench $bench;

    private Expectation $expectation;

    private FaultPlaces $places;

    /** @var array<string, list<Edge>> joints by fitting */
    private array $joints = [];

    private function wire(string $cable, string $signal, string $a, string $b): void
    {
        $this->bench = Bench::of(Bench::request('M-1', $cable, [$signal], [$a], [$b]));
        $plan = $this->bench->plan();
        $assemblies = $this->bench->assemblies($plan);
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
        $this->expectation = $assemblies->expectation($assembly);
        $this->places = $assemblies->places($assembly);
        $this->joints = [];
        foreach ($this->expectation->wiring->edges as $edge) {
            if ($edge->kind === EdgeKind::Joint) {
                $this->joints[Node::fitting($edge->to) ?? ''][] = $edge;
            }
        }
    }

    /**
     * The kinds of what is listed first, when the joints of a connector sit where a map says.
     *
     * @param  array<int|string, ?string>  $map  address → address; null: left over
     * @return ?list<string> null where nothing shows
     */
    private function read(string $fitting, array $map): ?array
    {
        $edges = [];
        foreach ($this->joints[$fitting] as $joint) {
            $address = Node::address($joint->to);
            if (array_key_exists($address, $map) && $map[$address] !== $address) {
                $to = $map[$address];
                $edges[$joint->id] = $to === null ? null : $joint->movedTo(Node::terminal($fitting, $to));
            }
        }
        $reading = MapMethod::read(
            $this->expectation->wiring->edited(new WiringEdit($edges)),
            $this->expectation->setup,
        );
        if ($reading->lights === $this->expectation->reading->lights) {
            return null;
        }
        $troubles = Diagnostician::for($this->places, $this->expectation, $reading)->troubles;
        self::assertCount(1, $troubles, 'it is one trouble');
        self::assertNotSame([], $troubles[0]->causes, 'it is explained');
        $entry = Entries::of($troubles[0], $this->expectation)[0];
        foreach ($entry as $cause) {
            self::assertCount(1, $cause->faults);
            $again = $this->expectation->wiring->edited($cause->faults[0]->edit);
            self::assertSame($reading->lights, MapMethod::read($again, $this->expectation->setup)->lights);
        }

        return array_map(static fn (Cause $cause): string => $cause->faults[0]->kind->value, $entry);
    }

    /** @return array<int|string, array<int|string, string>> channel → function → address, as the catalogue has it */
    private function channels(string $plan): array
    {
        $channels = $this->bench->installation->catalogue->plan($plan, 'B')->channels ?? [];
        ksort($channels, SORT_NATURAL);

        return array_values($channels);
    }

    /** @return iterable<string, array{string, string, int}> */
    public static function multipoles(): iterable
    {
        yield '25 contacts' => ['multicore-8', 'dsub25-male-aes59', 500];
        yield '37 contacts' => ['multicore-12', 'dsub37-male-12ch', 350];
        yield '56 contacts' => ['multicore-16', 'rect56-male-16ch', 150];
    }

    #[DataProvider('multipoles')]
    public function test_channels_each_on_another_are_one_cause(string $cable, string $plan, int $times): void
    {
        $this->wire($cable, 'analogue', 'xlr3-female-cable-balanced', $plan);
        $channels = $this->channels($plan);
        $random = new Randomizer(new Mt19937(61));
        $shown = 0;
        for ($n = 0; $n < $times; $n++) {
            $first = $random->getInt(0, count($channels) - 3);
            $last = $random->getInt($first + 2, count($channels) - 1);
            $span = $last - $first + 1;
            $by = $random->getInt(1, $span - 1);
            $round = $n % 2 === 0;
            $map = [];
            for ($i = $first; $i <= $last; $i++) {
                $to = $first + (($i - $first + $by) % $span);
                foreach ($channels[$i] as $function => $address) {
                    $map[$address] = $round || $i + $by <= $last ? $channels[$to][$function] : null;
                }
            }
            $kinds = $this->read('M-1.b1', $map);
            if ($kinds !== null) {
                $shown++;
                $meant = array_intersect(['channels', 'shift', 'crossed'], $kinds);
                self::assertNotSame([], $meant, implode(' ', $kinds));
            }
        }
        self::assertSame($times, $shown);
    }

    /** @return iterable<string, array{string, string, string, string, string}> */
    public static function connectors(): iterable
    {
        yield '8P8C' => ['cat6-utp', 'network', '8p8c-plug-t568b', '8p8c-plug-t568b', 'M-1.b1'];
        yield '8P8C, screened' => [
            'cat6a-sftp',
            'network',
            '8p8c-plug-screened-t568b',
            '8p8c-plug-screened-t568b',
            'M-1.b1',
        ];
        yield '5-pole' => ['data-2pair', 'dmx', 'xlr5-female-dmx', 'xlr5-male-dmx', 'M-1.b1'];
        yield '25 contacts' => ['multicore-8', 'analogue', 'xlr3-female-cable-balanced', 'dsub25-male-aes59', 'M-1.b1'];
        yield '37 contacts' => ['multicore-12', 'analogue', 'xlr3-female-cable-balanced', 'dsub37-male-12ch', 'M-1.b1'];
        yield '90 contacts' => ['multicore-24', 'analogue', 'xlr3-female-cable-balanced', 'rect90-male-24ch', 'M-1.b1'];
    }

    #[DataProvider('connectors')]
    public function test_a_connector_read_from_the_wrong_side_or_upside_down_is_one_cause(
        string $cable,
        string $signal,
        string $a,
        string $b,
        string $fitting,
    ): void {
        $this->wire($cable, $signal, $a, $b);
        $type = $this->bench->installation->catalogue->theConnector(
            $this->bench->installation->theFitting($fitting)->connector,
        );
        // Row by row as the face is seen, each row from its other end; then the rows from the last.
        $rows = [];
        foreach ($type->cavities as $cavity) {
            $rows[(string) round($cavity->face->y, 1)][(string) $cavity->address] = $cavity->face->x;
        }
        ksort($rows, SORT_NUMERIC);
        $mirrored = [];
        foreach ($rows as $row) {
            asort($row);
            $addresses = array_map(strval(...), array_keys($row));
            $mirrored += array_combine($addresses, array_reverse($addresses));
        }
        $kinds = $this->read($fitting, $mirrored);
        self::assertNotNull($kinds);
        self::assertNotSame([], array_intersect(['wrong-side', 'upside-down'], $kinds), implode(' ', $kinds));

        $numbers = array_map(static fn ($cavity): string => (string) $cavity->address, $type->cavities);
        $used = array_map(static fn (Edge $joint): string => Node::address($joint->to), $this->joints[$fitting]);
        $turned = array_combine($numbers, array_reverse($numbers));
        $kinds = $this->read($fitting, array_intersect_key($turned, array_flip($used)));
        self::assertNotNull($kinds);
        self::assertContains('upside-down', $kinds);
    }

    /** Wire orders of a jack: TIA-568 gives the pins; which slot stands where is the jack's own print. */
    public function test_colours_in_pin_order_on_a_jack_with_a_print_and_by_the_other_scheme_are_one_cause(): void
    {
        $this->wire('cat6-utp', 'network', '8p8c-plug-t568b', '8p8c-jack-t568b');
        $print = $this->bench->installation->catalogue->theConnector('8p8c-jack')->cable->print;
        self::assertSame(['5', '4', '1', '2', '8', '7', '6', '3'], $print);
        self::assertSame(['pin-order'], $this->read('M-1.b1', array_combine(range(1, 8), $print)));
        // T568A has pairs 2 and 3 where T568B has 3 and 2.
        $kinds = $this->read('M-1.b1', ['1' => '3', '3' => '1', '2' => '6', '6' => '2']);
        self::assertNotNull($kinds);
        self::assertSame('other-scheme', $kinds[0]);
        $said = $this->said(['1' => '3', '3' => '1', '2' => '6', '6' => '2']);
        self::assertStringContainsString('by the other colour scheme at end B', $said);
    }

    /** @param  array<int|string, string>  $map */
    private function said(array $map): string
    {
        $edges = [];
        foreach ($this->joints['M-1.b1'] as $joint) {
            $to = $map[Node::address($joint->to)] ?? null;
            if ($to !== null) {
                $edges[$joint->id] = $joint->movedTo(Node::terminal('M-1.b1', $to));
            }
        }

        return implode("\n", $this->bench->causes($this->bench->readingWith(new WiringEdit($edges)))[0]);
    }

    public function test_a_row_that_begins_at_the_second_contact_is_one_cause_whatever_becomes_of_the_last(): void
    {
        $this->wire('cat6-utp', 'network', '8p8c-plug-t568b', '8p8c-plug-t568b');
        foreach (['M-1.a1', 'M-1.b1'] as $fitting) {
            for ($by = 1; $by < 4; $by++) {
                foreach ([1, -1] as $way) {
                    $round = $lost = [];
                    for ($pin = 1; $pin <= 8; $pin++) {
                        $to = $pin + $way * $by;
                        $lost[$pin] = $to < 1 || $to > 8 ? null : (string) $to;
                        $round[$pin] = (string) (((($to - 1) % 8) + 8) % 8 + 1);
                    }
                    foreach ([$round, $lost] as $map) {
                        self::assertContains('shift', $this->read($fitting, $map) ?? []);
                    }
                }
            }
        }
    }
}
