<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Findings\Severity;

/** One reason why a cable and a connector do not go together, and what would. */
final readonly class Misfit
{
    /** @param  string  $code  stays the same across wordings: "fit.entry" */
    public function __construct(
        public Severity $severity,
        public string $code,
        public string $words,
        public string $remedy,
    ) {
    }

    public static function stop(string $code, string $words, string $remedy): self
    {
        return new self(Severity::Stop, $code, $words, $remedy);
    }

    public static function check(string $code, string $words, string $remedy): self
    {
        return new self(Severity::Check, $code, $words, $remedy);
    }
}
