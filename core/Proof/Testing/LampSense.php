<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/** Each probe is touched in turn; whatever conducts to it lights. */
final readonly class LampSense implements Sense
{
    use PlainSense;

    private const UNIT = '';

    public function __construct(private TestSetup $setup, private bool $shells = true)
    {
    }

    public static function card(Method $method): MethodCard
    {
        [$name, $words, $minutes] = match ($method) {
            Method::Shells => ['', 'shells probed as well', 0.2],
            Method::All => ['All against all', 'everything against everything, shells too', 0.6],
            Method::Switches => ['Switches', 'map again with each switch operated', 0.5],
            default => ['Map', 'end-to-end map', 1.0],
        };

        return new MethodCard(
            $name,
            $words,
            'exactly what the plan joins lights',
            $minutes,
            Nearness::exactly(),
            lights: true,
            byHand: $method !== Method::All,
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return match ($method) {
            Method::Map => new self($setup, false),
            Method::All => new self($setup->everything()),
            default => new self($setup),
        };
    }

    public function questions(Wiring $good): array
    {
        $probes = array_map(strval(...), array_keys($this->setup->touched()));

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
            array_keys(array_intersect_key($wiring->reach($at, MapMethod::LAMP), $this->setup->watched())),
        );
        $lit = array_values(
            array_filter($lit, fn (string $node): bool => $node !== $at && ($this->shells || ! Node::isShell($node))),
        );
        sort($lit, SORT_STRING);

        return $lit;
    }
}
