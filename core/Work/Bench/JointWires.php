<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Preparing\CoreCut;

/** Which wires each joint of a connector takes, of whatever leg, and the step that makes it. */
final readonly class JointWires
{
    /**
     * @param  array<int|string, non-empty-list<array{LegWork, CoreCut}>>  $wires  joint → what goes into it
     * @param  array<int|string, array<int, list<string>>>  $keys  leg → place of a step → joints that it makes
     */
    private function __construct(private array $wires, private array $keys)
    {
    }

    /** @param  non-empty-list<LegWork>  $legs */
    public static function of(array $legs): self
    {
        $wires = $keys = [];
        foreach ($legs as $leg) {
            $name = self::name($leg);
            $keys[$name] = [];
            $at = $is = [];
            $last = 0;
            $end = $leg->end;
            foreach ($end->joints() as $i => $terminals) {
                $step = $end->made->steps[$i];
                foreach ($terminals as $terminal) {
                    $at[$terminal] = $i;
                    $is[$terminal] = self::key($step, $terminal);
                    $keys[$name][$i][] = $is[$terminal];
                    $last = $i;
                }
            }
            $taken = [];
            foreach ($leg->leg->preparation->cores as $core) {
                $address = $core->joint->address();
                // What is joined to the shell besides is joined with the last of the others.
                $key = $is[$address] ?? ($address === '' ? $core->joint->to : $address);
                $wires[$key][] = [$leg, $core];
                $taken[$key] = true;
                if (! isset($at[$address])) {
                    $keys[$name][$last][] = $key;
                }
            }
            foreach ($keys[$name] as $i => $of) {
                $keys[$name][$i] = array_values(array_unique(array_filter(
                    $of,
                    static fn (string $key): bool => isset($taken[$key]),
                )));
            }
        }

        return new self($wires, $keys);
    }

    /** One stroke of the tool joins all contacts of such a plug. */
    private static function key(StepMade $step, string $terminal): string
    {
        $slash = strrpos($terminal, '/');

        return $step->isOneStroke()
            ? 'all'.($slash === false ? '' : substr($terminal, 0, $slash))
            : $terminal;
    }

    private static function name(LegWork $leg): string
    {
        return implode('|', [$leg->run->id, $leg->side->value, $leg->leg->leg->id]);
    }

    /** @return list<string> joints that a step of a leg makes */
    public function keys(LegWork $leg, int $step): array
    {
        return $this->keys[self::name($leg)][$step] ?? [];
    }

    /** @return non-empty-list<array{LegWork, CoreCut}> */
    public function at(string $key): array
    {
        return $this->wires[$key] ?? throw new \LogicException('There is no such joint.');
    }
}
