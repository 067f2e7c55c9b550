<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** Somebody of the crew, as a file knows them: never with a password. */
final readonly class Person
{
    /** What its record calls them by. Files of the first version have nothing but the sign-in name for it. */
    public string $id;

    /**
     * @param  string  $signIn  "": they have none
     * @param  list<string>  $roles
     * @param  list<string>  $skills  what they can do at a bench, and are licensed for
     * @param  string  $id  "": the sign-in name
     */
    public function __construct(
        public string $signIn,
        public string $name,
        public array $roles,
        public array $skills = [],
        string $id = '',
    ) {
        $this->id = $id === '' ? $signIn : $id;
    }
}
