<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;

/**
 * What was read. The map lies line by line in `lights`: a line that is not
 * there has not been read; an empty one was read, and nothing lit. What other
 * methods showed are samples.
 */
final readonly class Reading
{
    /** @var array<int|string, list<string>> probed node → nodes that light, sorted */
    public array $lights;

    /** @var ?list<string> ids of pairs found split, sorted; null where pairs were not tested */
    public ?array $splits;

    /** @var array<int|string, Sample> by question, in the order of their keys */
    public array $samples;

    /** @var list<string> lines of the map that somebody declared as read, and no instrument showed */
    public array $declared;

    /**
     * @param  array<int|string, list<string>>  $lights
     * @param  ?list<string>  $splits
     * @param  iterable<Sample>  $samples
     * @param  list<string>  $declared
     */
    public function __construct(array $lights, ?array $splits = null, iterable $samples = [], array $declared = [])
    {
        $sorted = [];
        foreach ($lights as $from => $to) {
            $to = array_values(array_unique($to));
            sort($to, SORT_STRING);
            $sorted[(string) $from] = $to;
        }
        ksort($sorted, SORT_STRING);
        $this->lights = $sorted;
        if ($splits !== null) {
            $splits = array_values(array_unique($splits));
            sort($splits, SORT_STRING);
        }
        $this->splits = $splits;
        $byKey = [];
        foreach ($samples as $sample) {
            $byKey[$sample->question->key()] = $sample;
        }
        ksort($byKey, SORT_STRING);
        $this->samples = $byKey;
        $declared = array_values(array_intersect(array_unique($declared), array_map(strval(...), array_keys($sorted))));
        sort($declared, SORT_STRING);
        $this->declared = $declared;
    }

    /**
     * From samples alone, as an instrument gives them: what is of the map at
     * rest, or of the pair test, goes where it belongs.
     *
     * @param  list<Sample>  $samples
     */
    public static function ofSamples(array $samples): self
    {
        $lights = $others = [];
        $splits = null;
        foreach ($samples as $sample) {
            $question = $sample->question;
            if (
                ($question->method === Method::Map || $question->method === Method::Shells) &&
                $question->state === '' &&
                is_array($sample->value)
            ) {
                $lights[$question->at] = $sample->value;
            } elseif ($question->method === Method::Pairs) {
                $splits = [...$splits ?? [], ...$sample->value === PairCheck::SPLIT ? [$question->at] : []];
            } else {
                $others[] = $sample;
            }
        }

        return new self($lights, $splits, $others);
    }

    public function isEmpty(): bool
    {
        return $this->lights === [] && $this->samples === [] && ($this->splits ?? []) === [];
    }

    /** Whether anything of a method was read. */
    public function has(Method $method): bool
    {
        foreach ($this->samples as $sample) {
            if ($sample->question->method === $method) {
                return true;
            }
        }

        return match ($method) {
            Method::Map, Method::Shells => $this->lights !== [],
            Method::Pairs => $this->splits !== null,
            default => false,
        };
    }
}
