<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Testing\MapMethod;
use Sartal\Core\Testing\TestSetup;
use Sartal\Core\Wiring\EdgeKind;
use Sartal\Core\Wiring\Node;
use Sartal\Core\Wiring\Wiring;

/**
 * Whether a check shows a fault: the wiring is read as that check reads it,
 * with the fault in it and without. Only what the fault touches is read.
 */
final class Sight
{
    /** Ω up to which a lamp lights: common practice. */
    private const LAMP = 1000.0;

    /** What an ohmmeter is trusted with, share and Ω: common practice. */
    private const SHARE = 0.2;

    private const LEAST = 0.05;

    /** @param  array<string, string>  $colours  joint id → colour of its core and of what it lies in */
    public function __construct(private readonly Wiring $good, private readonly TestSetup $setup, private readonly array $colours)
    {
    }

    public function shows(Check $check, Fault $fault): bool
    {
        return match ($check) {
            Check::Map => $this->lights($fault, self::LAMP, false),
            Check::Shells => $this->lights($fault, self::LAMP, true),
            Check::Insulation => $this->lights($fault, INF, true),
            Check::Pairs => MapMethod::splits($this->good, $this->setup->pairs) !== MapMethod::splits($this->good->edited($fault->edit), $this->setup->pairs),
            Check::Ohms => $this->ohms($fault),
            Check::EyesA => $this->seen($fault, ':A:'),
            Check::EyesB => $this->seen($fault, ':B:'),
        };
    }

    private function lights(Fault $fault, float $most, bool $shells): bool
    {
        $bad = $this->good->edited($fault->edit);
        foreach ($this->touched($fault, $bad) as $from => $_) {
            $from = (string) $from;
            if (! isset($this->setup->from[$from]) || (! $shells && Node::isShell($from))) {
                continue;
            }
            if ($this->lit($this->good, $from, $most, $shells) !== $this->lit($bad, $from, $most, $shells)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, true> */
    private function lit(Wiring $wiring, string $from, float $most, bool $shells): array
    {
        $lit = array_intersect_key($wiring->reach($from, $most), $this->setup->to);
        if (! $shells) {
            $lit = array_filter($lit, static fn (string $node): bool => ! Node::isShell($node), ARRAY_FILTER_USE_KEY);
        }
        ksort($lit);

        return $lit;
    }

    /** @return array<string, true> nodes that conduct to what the fault changes, before or after */
    private function touched(Fault $fault, Wiring $bad): array
    {
        $touched = [];
        foreach ($fault->edit->edges as $id => $edge) {
            foreach (array_filter([$edge, $this->good->edges[$id] ?? null]) as $each) {
                foreach ([$each->from, $each->to] as $node) {
                    $touched += isset($touched[$node]) ? [] : $this->good->reach($node) + $bad->reach($node);
                }
            }
        }

        return $touched;
    }

    private function ohms(Fault $fault): bool
    {
        $bad = $this->good->edited($fault->edit);
        foreach ($this->touched($fault, $bad) as $from => $_) {
            $from = (string) $from;
            foreach (isset($this->setup->from[$from]) ? $this->lit($this->good, $from, self::LAMP, true) : [] as $to => $_) {
                if ((string) $to === $from) {
                    continue;
                }
                $expected = Resistance::between($this->good, $from, (string) $to, self::LAMP);
                $read = Resistance::between($bad, $from, (string) $to, self::LAMP);
                if (is_infinite($read) !== is_infinite($expected) || (! is_infinite($read) && abs($read - $expected) > max(self::LEAST, self::SHARE * $expected))) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Joints of one end, by the colours that meet their contacts. Bridges are seen as well. */
    private function seen(Fault $fault, string $side): bool
    {
        $before = $after = [];
        foreach ($fault->edit->edges as $id => $edge) {
            $old = $this->good->edges[$id] ?? null;
            if (($old ?? $edge)?->kind === EdgeKind::Joint && str_contains((string) $id, $side)) {
                $before[] = $old === null ? '' : ($this->colours[$id] ?? $id).'>'.$old->to;
                $after[] = $edge === null ? '' : ($this->colours[$id] ?? $id).'>'.$edge->to;
            }
        }
        sort($before);
        sort($after);

        return $before !== $after;
    }
}
