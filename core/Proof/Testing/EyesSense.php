<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Side;

/** Which colours meet a contact of an opened end, and whether something bridges it. */
final readonly class EyesSense implements Sense
{
    use AgreesExactly;

    public const BRIDGED = 'a bridge';

    public function __construct(private TestSetup $setup, private Side $side)
    {
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
