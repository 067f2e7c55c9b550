<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** A joint as the record lists it: which conductor went into which node. */
final readonly class MadeJoint
{
    private const INTO = '>';

    /** @param  string  $conductor  path in the cable */
    public function __construct(public string $conductor, public string $node)
    {
    }

    public static function from(string $text): self
    {
        [$conductor, $node] = [...explode(self::INTO, $text, 2), ''];

        return new self($conductor, $node);
    }

    public function text(): string
    {
        return $this->conductor.self::INTO.$this->node;
    }
}
