<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** A path of some kilohms between two contacts of one element: a conductive layer not peeled back, damp, flux. */
final readonly class Leaks implements FaultSource
{
    /** Ω; a lamp stays dark: common practice. */
    public const OHMS = 50_000.0;

    /** @param  array<int|string, string>  $groups joint id → element */
    public function __construct(private array $groups)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $joints) {
            $count = count($joints);
            for ($i = 0; $i < $count; $i++) {
                for ($j = $i + 1; $j < $count; $j++) {
                    [$one, $other] = [$joints[$i], $joints[$j]];
                    if (
                        $one->to !== $other->to &&
                        ($this->groups[$one->id] ?? '') === ($this->groups[$other->id] ?? '')
                    ) {
                        $leak = new Edge(
                            EdgeId::unwanted('leak', $one->to, $other->to),
                            EdgeKind::Stray,
                            $one->to,
                            $other->to,
                            self::OHMS,
                        );
                        yield new Fault(
                            FaultKind::Leak,
                            [$one->to, $other->to],
                            [],
                            new WiringEdit([$leak->id => $leak]),
                        );
                    }
                }
            }
        }
        yield from $this->acrossDomains($patch);
    }

    /**
     * Mains into what lies beside it, somewhere along the cable.
     *
     * @return iterable<Fault>
     */
    private function acrossDomains(Patch $patch): iterable
    {
        foreach ($patch->conductors as $i => $one) {
            foreach (array_slice($patch->conductors, $i + 1) as $other) {
                if ($one->domain !== $other->domain && EdgeId::runOf($one->id) === EdgeId::runOf($other->id)) {
                    $leak = new Edge(
                        EdgeId::unwanted('leak', $one->from, $other->from),
                        EdgeKind::Stray,
                        $one->from,
                        $other->from,
                        self::OHMS,
                    );
                    yield new Fault(FaultKind::Leak, [], [$one->id, $other->id], new WiringEdit([$leak->id => $leak]));
                }
            }
        }
    }
}
