<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Findings;

use Sartal\Core\Given\Measure\Lean;

/** A rule of the trade that is not met: where, in words, and what to do about it. Not an error. */
final readonly class Finding
{
    use Lean;

    /**
     * @param  string  $code  stays the same across wordings: "contact.two-functions"
     * @param  string  $apart  the words without where; "" where they do not say that
     */
    public function __construct(
        public Severity $severity,
        public string $code,
        public Subject $subject,
        public string $words,
        public string $remedy,
        private string $apart = '',
    ) {
    }

    /** What is wrong, without where: for those who ask of a kind of thing and not of one of them. */
    public function withoutPlace(): string
    {
        return $this->apart === '' ? $this->words : $this->apart;
    }

    /** Whether it is more than good to know. */
    public function isWrong(): bool
    {
        return $this->severity !== Severity::Note;
    }

    public static function stop(string $code, Subject $subject, string $words, string $remedy): self
    {
        return new self(Severity::Stop, $code, $subject, $words, $remedy);
    }

    public static function check(string $code, Subject $subject, string $words, string $remedy): self
    {
        return new self(Severity::Check, $code, $subject, $words, $remedy);
    }

    public static function note(string $code, Subject $subject, string $words, string $remedy): self
    {
        return new self(Severity::Note, $code, $subject, $words, $remedy);
    }
}
