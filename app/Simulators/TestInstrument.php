<?php

declare(strict_types=1);

namespace App\Simulators;

use App\Formats\BadLine;
use App\Testing\InstrumentMessage;
use App\Testing\Points;
use App\Testing\UnderTest;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\FaultSources;
use Sartal\Core\Proof\Diagnosing\Patch;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Sample;

/**
 * A stand-in for a test instrument, plugged into an assembly that may have
 * faults in it. It answers in the protocol of docs/formats.md from the wiring
 * alone, and knows nothing of what is expected.
 *
 * @phpstan-import-type MessageResult from InstrumentMessage
 *
 * @phpstan-type InstrumentSays array{
 *     protocol: string,
 *     version: int,
 *     instrument: array{kind: value-of<InstrumentKind>, name: string, number: string},
 *     taken: string,
 *     assembly: string,
 *     results: list<MessageResult>,
 * }
 */
final readonly class TestInstrument
{
    /** A conductor that is broken along the way is broken in the middle. */
    private const MIDDLE = 0.5;

    public function __construct(private InstrumentKind $kind, private string $name, private string $number)
    {
    }

    /**
     * @param  list<Method>  $methods  empty: all that it can
     * @param  list<Fault>  $faults  that are in the assembly
     * @param  ?list<string>  $nodes  only what hangs on these; null: everything
     * @return InstrumentSays a message
     */
    public function measure(UnderTest $test, array $methods, array $faults, ?array $nodes = null): array
    {
        $can = $this->kind->methods();
        $methods =
            $methods === []
                ? $can
                : array_values(
                    array_filter($methods, static fn (Method $method): bool => in_array($method, $can, true)),
                );
        if ($methods === []) {
            throw BadLine::because(
                'measure',
                $this->kind->value,
                sprintf(
                    'This %s cannot do that. It can: %s.',
                    $this->kind->words(),
                    implode(', ', array_map(static fn (Method $method): string => Methods::card($method)->words, $can)),
                ),
            );
        }
        // Shells are lines of the map; a map that leaves them out would miss them.
        if (in_array(Method::Shells, $methods, true)) {
            $methods = array_values(
                array_filter($methods, static fn (Method $method): bool => $method !== Method::Map),
            );
        }
        $points = new Points($test);
        $senses = $test->expectation()->senses();
        $edits = array_map(static fn (Fault $fault): WiringEdit => $fault->edit, $faults);
        $results = [];
        foreach ($methods as $method) {
            foreach ($senses->questions($method) as $question) {
                if ($nodes === null || array_intersect($senses->nodes($question), $nodes) !== []) {
                    $results[] = InstrumentMessage::result(
                        new Sample($question, $this->value($question, $test, $edits)),
                        $points,
                        $test,
                    );
                }
            }
        }

        return [
            'protocol' => InstrumentMessage::PROTOCOL,
            'version' => InstrumentMessage::VERSION,
            'instrument' => ['kind' => $this->kind->value, 'name' => $this->name, 'number' => $this->number],
            'taken' => now('UTC')->format('Y-m-d\TH:i:s\Z'),
            'assembly' => $test->loaded->installation->runs()[$test->assembly->id]->code,
            'results' => $results,
        ];
    }

    /**
     * Every single fault that can be put into an assembly.
     *
     * @return array<int|string, Fault> by key
     */
    public static function faults(UnderTest $test): array
    {
        $expectation = $test->expectation();
        $places = $test->planner->places($test->assembly);
        $probes = array_map(strval(...), array_keys($expectation->setup->from + $expectation->setup->to));
        $patch = Patch::around($probes, $expectation->wiring, $places->order);
        $faults = [];
        foreach ([...FaultSources::credible($places), ...FaultSources::arranged($places)] as $source) {
            foreach ($source->in($patch) as $fault) {
                $faults[substr(hash('xxh128', $fault->key()), 0, 12)] ??= $fault;
            }
        }

        return $faults;
    }

    /**
     * @param  list<WiringEdit>  $edits
     * @return list<string>|float|string
     */
    private function value(Question $question, UnderTest $test, array $edits): array|float|string
    {
        $senses = $test->expectation()->senses();
        $value = $senses->answer($question, $edits);
        if (is_float($value) && is_nan($value)) {
            $whole = $senses->expected($question);
            $value = is_float($whole) && ! is_nan($whole) && ! is_infinite($whole) ? $whole * self::MIDDLE : 0.0;
        }

        return is_float($value) && ! is_infinite($value) ? round($value, 3) : $value;
    }
}
