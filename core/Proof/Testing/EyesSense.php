<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\Side;

/** Which colours meet a contact of an opened end, and whether something bridges it. */
final readonly class EyesSense implements Sense
{
    use PlainSense;

    private const UNIT = '';

    public const BRIDGED = 'a bridge';

    public function __construct(private TestSetup $setup, private Side $side)
    {
    }

    public static function card(Method $method): MethodCard
    {
        $side = self::side($method)->value;

        return new MethodCard(
            name: 'Eyes, end '.$side,
            words: 'core colours looked at, end '.$side,
            limit: 'each colour on its contact, no strand astray',
            minutes: 1.2,
            near: Nearness::exactly(),
            opens: true,
            answers: [self::BRIDGED],
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup, self::side($method));
    }

    private static function side(Method $method): Side
    {
        return $method === Method::EyesA ? Side::A : Side::B;
    }

    public function questions(Wiring $good): array
    {
        $contacts = [];
        foreach ($this->setup->from + $this->setup->to as $node => $probe) {
            if ($probe->side === $this->side && $probe->fitting !== '') {
                $contacts[] = (string) $node;
            }
        }

        return $contacts;
    }

    public function nodes(string $at): array
    {
        return [$at];
    }

    public function answer(Wiring $wiring, string $at): array
    {
        $seen = [];
        foreach ($wiring->at($at) as $edge) {
            if ($edge->kind === EdgeKind::Joint) {
                $seen[] = $this->setup->makeup->colours[$edge->id] ?? $edge->id;
            } elseif ($edge->kind === EdgeKind::Stray && $edge->ohms <= MapMethod::LAMP) {
                $seen[] = self::BRIDGED;
            }
        }
        sort($seen, SORT_STRING);

        return $seen;
    }
}
