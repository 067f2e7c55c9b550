<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** What one question was answered with. */
final readonly class Sample
{
    /**
     * @param  list<string>|float|string  $value  what lights, a number in the method's unit (INF: nothing conducts), or
     *     a word
     * @param  bool  $declared  somebody said so; no instrument did
     */
    public function __construct(
        public Question $question,
        public array|float|string $value,
        public bool $declared = false,
    ) {
    }
}
