<?php

declare(strict_types=1);

namespace App\Contract;

use Symfony\Component\TypeInfo\Type;

/** One field of a shape, as its parameter says. */
final readonly class Field
{
    /**
     * @param  string  $says  what it is, in words; "": its name says it
     * @param  bool  $required  whether it has to be there
     */
    public function __construct(
        public string $name,
        public Type $type,
        public bool $required,
        public mixed $default,
        public string $says,
        public ?Text $text,
        public ?Whole $whole,
        public ?Items $items,
        public ?Document $document,
    ) {
    }
}
