<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Findings;

/** A rule of the trade that is not met: where, in words, and what to do about it. Not an error. */
final readonly class Finding
{
    /**
     * @param  string  $code  stays the same across wordings: "contact.two-functions"
     * @param  string  $subject  "run:M-201", "fitting:F7", "plan:xlr-analogue", "installation"
     */
    public function __construct(
        public Severity $severity,
        public string $code,
        public string $subject,
        public string $words,
        public string $remedy,
    ) {
    }

    public static function stop(string $code, string $subject, string $words, string $remedy): self
    {
        return new self(Severity::Stop, $code, $subject, $words, $remedy);
    }

    public static function check(string $code, string $subject, string $words, string $remedy): self
    {
        return new self(Severity::Check, $code, $subject, $words, $remedy);
    }

    public static function note(string $code, string $subject, string $words, string $remedy): self
    {
        return new self(Severity::Note, $code, $subject, $words, $remedy);
    }
}
