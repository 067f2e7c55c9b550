<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;

/**
 * A cable that is longer or shorter than planned: the wrong one was cut, or
 * the wrong one is plugged in. How much, the readings themselves say.
 */
final readonly class OtherLengths implements FaultSource
{
    /** Nearer than this to the plan, it is the same length. */
    private const LEAST = 0.1;

    /** @param  list<float>  $ratios  lengths to try, as shares of the planned one */
    private function __construct(private array $ratios)
    {
    }

    /** The middle of what the readings that grow with length say. */
    public static function saidBy(Expectation $expectation, Reading $reading): self
    {
        $ratios = [];
        foreach ($reading->samples as $sample) {
            if (! in_array($sample->question->method, [Method::Ohms, Method::Certifier, Method::Capacitance], true)) {
                continue;
            }
            $expected = $expectation->senses()->expected($sample->question);
            if (
                is_float($expected) &&
                is_float($sample->value) &&
                $expected > 0 &&
                $sample->value > 0 &&
                is_finite($expected) &&
                is_finite($sample->value)
            ) {
                $ratios[] = $sample->value / $expected;
            }
        }
        if ($ratios === []) {
            return new self([]);
        }
        sort($ratios);
        $middle = $ratios[intdiv(count($ratios), 2)];

        return new self(abs($middle - 1) < self::LEAST ? [] : [$middle]);
    }

    public function in(Patch $patch): iterable
    {
        $runs = [];
        foreach ($this->ratios === [] ? [] : $patch->conductors as $conductor) {
            $runs[EdgeId::runOf($conductor->id)] = true;
        }
        foreach (array_keys($runs) as $run) {
            foreach ($this->ratios as $ratio) {
                $edges = [];
                foreach ($patch->wiring->edges as $id => $edge) {
                    if ($edge->kind === EdgeKind::Conductor && EdgeId::runOf((string) $id) === (string) $run) {
                        $edges[(string) $id] = $edge->stretched($ratio);
                    }
                }
                yield new Fault(
                    FaultKind::Length,
                    [],
                    array_map(strval(...), array_keys($edges)),
                    new WiringEdit($edges),
                    (int) round(($ratio - 1) * 100),
                );
            }
        }
    }
}
