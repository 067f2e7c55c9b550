<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;

/** Each probe is touched in turn; whatever conducts to it lights. */
final readonly class LampSense implements Sense
{
    use AgreesExactly;

    public function __construct(private TestSetup $setup, private bool $shells = true)
    {
    }

    public function questions(Wiring $good): array
    {
        $probes = array_map(strval(...), array_keys($this->setup->from));

        return $this->shells
            ? $probes
            : array_values(array_filter($probes, static fn (string $node): bool => ! Node::isShell($node)));
    }

    public function nodes(string $at): array
    {
        return [$at];
    }

    public function answer(Wiring $wiring, string $at): array
    {
        $lit = array_map(
            strval(...),
            array_keys(array_intersect_key($wiring->reach($at, MapMethod::LAMP), $this->setup->to)),
        );
        $lit = array_values(
            array_filter($lit, fn (string $node): bool => $node !== $at && ($this->shells || ! Node::isShell($node))),
        );
        sort($lit, SORT_STRING);

        return $lit;
    }
}
