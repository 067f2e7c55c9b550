<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use DomainException;

/** A gesture that cannot be made: the field it is about, the value, and the remedy. */
final class CannotJoin extends DomainException
{
    /** @param  list<self>  $more  what else is wrong, where several things were said at once */
    private function __construct(
        public readonly string $field,
        public readonly string $value,
        string $message,
        public readonly array $more = [],
    ) {
        parent::__construct($message);
    }

    /**
     * @param  non-empty-list<self>  $all
     */
    public static function several(array $all): self
    {
        return new self($all[0]->field, $all[0]->value, $all[0]->getMessage(), array_slice($all, 1));
    }

    /** The same, said of one line of several. */
    public function inLine(int $number): self
    {
        return new self($this->field, $this->value, sprintf('Line %d: %s', $number, $this->getMessage()));
    }

    public static function because(string $field, string $value, string $remedy): self
    {
        return new self($field, $value, $remedy);
    }

    public static function unknown(string $field, string $value, string $what): self
    {
        return new self(
            $field,
            $value,
            sprintf('There is no such %s here. Load the page again, and choose one.', $what),
        );
    }
}
