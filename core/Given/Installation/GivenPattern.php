<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A pattern of assemblies with the answers that are usual for it. */
final readonly class GivenPattern
{
    /**
     * @param  string  $words  what it is for
     * @param  string  $kind  what shape it has, by the name of a rule
     * @param  array<int|string, string>  $answers  what is answered before anybody is asked
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $words,
        public string $kind,
        public array $answers,
    ) {
    }
}
