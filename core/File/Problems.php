<?php

declare(strict_types=1);

namespace Sartal\Core\File;

/** Collects everything that is wrong, so that a person mends a file once and not line by line. */
final class Problems
{
    private const LISTED = 200;

    /** @var list<Problem> */
    private array $problems = [];

    private int $more = 0;

    public function add(string $path, mixed $value, string $words): void
    {
        if (count($this->problems) >= self::LISTED) {
            $this->more++;

            return;
        }
        $text = is_scalar($value) ? (string) $value : get_debug_type($value);
        $this->problems[] = new Problem($path, mb_strimwidth(mb_scrub($text), 0, 80, '…'), $words);
    }

    public function isNone(): bool
    {
        return $this->problems === [];
    }

    /** @throws InvalidDocument when anything is wrong */
    public function settle(): void
    {
        if ($this->problems !== []) {
            throw new InvalidDocument($this->problems, $this->more);
        }
    }
}
