<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

/** One thing that a pattern asks. */
final readonly class PatternQuestion
{
    /**
     * @param  string  $usual  the answer where nobody gives one
     * @param  string  $hint  how it is written, where that is not plain
     * @param  array<string, string>  $choices  answer → what it is called
     * @param  bool  $needed  whether nothing can be made without it
     */
    public function __construct(
        public string $key,
        public string $label,
        public AnswerKind $kind,
        public string $usual = '',
        public string $hint = '',
        public array $choices = [],
        public bool $needed = true,
    ) {
    }
}
