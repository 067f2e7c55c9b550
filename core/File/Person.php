<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** Somebody of the crew, as a file knows them: never with a password. */
final readonly class Person
{
    /**
     * @param  list<string>  $roles
     * @param  list<string>  $skills  what they can do at a bench, and are licensed for
     */
    public function __construct(
        public string $signIn,
        public string $name,
        public array $roles,
        public array $skills = [],
    ) {
    }
}
