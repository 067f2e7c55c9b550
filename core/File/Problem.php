<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** One thing wrong with a document: where, what stands there, and what to do. */
final readonly class Problem
{
    public function __construct(public string $path, public string $value, public string $words)
    {
    }

    public function __toString(): string
    {
        return sprintf('%s: %s', $this->path, $this->words);
    }

    /** @return array{path: string, value: string, words: string} as it is told */
    public function told(): array
    {
        return ['path' => $this->path, 'value' => $this->value, 'words' => $this->words];
    }
}
