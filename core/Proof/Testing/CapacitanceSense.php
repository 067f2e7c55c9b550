<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/**
 * A capacitance meter between a contact and its screen, in nF. A core hangs
 * on the meter by its whole length wherever it is open beyond it, and not at
 * all where it is open before: so it tells the two ends of an open apart.
 */
final readonly class CapacitanceSense implements Sense
{
    use PlainSense;

    private const UNIT = 'nF';

    private const SHARE = 0.25;

    private const LEAST = 0.05;

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Capacitance',
            words: 'capacitance, core to screen',
            limit: 'what the length makes, within a quarter',
            minutes: 1.2,
            near: Nearness::within(self::SHARE, self::LEAST),
            unit: self::UNIT,
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        foreach ($this->setup->makeup->plates as $plate) {
            foreach ($this->contacts($good, $plate['core']) as $core) {
                foreach ($this->contacts($good, $plate['screen']) as $screen) {
                    if (! isset($good->reach($core)[$screen]) && $this->sameSide($core, $screen)) {
                        $questions[$core.'|'.$screen] = true;
                    }
                }
            }
        }

        return array_map(strval(...), array_keys($questions));
    }

    public function nodes(string $at): array
    {
        return explode('|', $at, 2);
    }

    public function answer(Wiring $wiring, string $at): float
    {
        [$one, $other] = explode('|', $at, 2) + ['', ''];
        $near = $wiring->reach($one);
        $far = $wiring->reach($other);
        if (isset($near[$other])) {
            return INF;
        }
        $nanofarads = 0.0;
        foreach ($this->setup->makeup->plates as $plate) {
            $core = $wiring->edges[$plate['core']] ?? null;
            $screen = $wiring->edges[$plate['screen']] ?? null;
            if ($core === null || $screen === null) {
                $stub = $this->hangs($plate['core'], $near, $far) || $this->hangs($plate['screen'], $near, $far);
                if ($stub) {
                    // Broken somewhere along the way: nobody knows how much of it hangs on the meter.
                    return NAN;
                }

                continue;
            }
            $across =
                (isset($near[$core->from]) && isset($far[$screen->from])) ||
                (isset($far[$core->from]) && isset($near[$screen->from]));
            $nanofarads += $across ? $plate['nanofaradsPerMetre'] * $core->metres : 0.0;
        }

        return $nanofarads;
    }

    /**
     * Whether either end of a conductor that is not there lies on one of the two.
     *
     * @param  array<int|string, true>  $near
     * @param  array<int|string, true>  $far
     */
    private function hangs(string $conductor, array $near, array $far): bool
    {
        foreach ($this->setup->makeup->ends[$conductor] ?? [] as $node) {
            if (isset($near[$node]) || isset($far[$node])) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> probes that a conductor leads to */
    private function contacts(Wiring $good, string $conductor): array
    {
        $edge = $good->edges[$conductor] ?? null;
        $contacts = [];
        foreach ($edge === null ? [] : [$edge->from, $edge->to] as $end) {
            foreach ($good->at($end) as $joint) {
                if ($joint->kind === EdgeKind::Joint && $this->setup->probe($joint->to) !== null) {
                    $contacts[] = $joint->to;
                }
            }
        }

        return $contacts;
    }

    private function sameSide(string $one, string $other): bool
    {
        return $this->setup->probe($one)?->side === $this->setup->probe($other)?->side;
    }
}
