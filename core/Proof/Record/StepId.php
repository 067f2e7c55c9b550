<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\Side;

/**
 * Which single step at the bench it is: what it is done to, what is done, and
 * which of several alike by a fact (a contact, a part, a layer), never by its
 * place in a list. Records name steps by the text of this; what that text is
 * made of is known here alone.
 */
final readonly class StepId
{
    private const BETWEEN = '|';

    /**
     * @param  string  $of  text of the run, end, leg, fitting or assembly
     * @param  string  $key  which of several; "" where there is one
     * @param  string  $first  text by which records of the first edition name it, where that was another one
     */
    private function __construct(
        private string $of,
        public StepKind $kind,
        private string $key,
        public string $first,
    ) {
    }

    /** @param  string  $first  its whole text in the first edition, where that was another one */
    public static function ofRun(string $run, StepKind $kind, ?string $key = null, string $first = ''): self
    {
        return new self($run, $kind, $key === null ? '' : self::BETWEEN.$key, $first);
    }

    public static function ofEnd(string $run, Side $side, StepKind $kind, ?string $key = null): self
    {
        return self::ofRun($run.self::BETWEEN.$side->value, $kind, $key);
    }

    /** @param  ?string  $first  what followed the leg in the first edition, where that was something else */
    public static function ofLeg(
        string $run,
        Side $side,
        string $leg,
        StepKind $kind,
        ?string $key = null,
        ?string $first = null,
    ): self {
        $of = implode(self::BETWEEN, [$run, $side->value, $leg]);

        return self::ofRun($of, $kind, $key, $first === null ? '' : $of.self::BETWEEN.$first);
    }

    /** @param  ?string  $first  what followed the fitting in the first edition, where that was something else */
    public static function ofFitting(string $fitting, StepKind $kind, ?string $key = null, ?string $first = null): self
    {
        return self::ofRun($fitting, $kind, $key, $first === null ? '' : $fitting.self::BETWEEN.$first);
    }

    public static function ofLabel(string $run, Side $side, string $leg): self
    {
        return self::ofRun($run, StepKind::Label, $side->value.self::BETWEEN.$leg);
    }

    /** A jumper between two terminals. */
    public static function ofLink(string $fitting, string $from, string $to): self
    {
        return self::ofRun(
            $fitting,
            StepKind::Link,
            $from.self::BETWEEN.$to,
            implode(self::BETWEEN, ['link', $from, $to]),
        );
    }

    public static function ofTest(string $assembly): self
    {
        return self::ofRun($assembly, StepKind::Test);
    }

    public function text(): string
    {
        return $this->of.self::BETWEEN.$this->kind->value.$this->key;
    }

    /** Whether a recorded step is one of this fitting's. */
    public static function isAt(string $step, string $fitting): bool
    {
        return str_starts_with($step, $fitting.self::BETWEEN);
    }

    /** Whether a recorded step is a joint in this fitting. */
    public static function joinsIn(string $step, string $fitting): bool
    {
        return str_starts_with($step, $fitting.self::BETWEEN.StepKind::Join->value.self::BETWEEN);
    }

    /** Whether a recorded step is this one of a run as a whole. */
    public static function isOfRun(string $step, string $run, StepKind $kind): bool
    {
        return $step === self::ofRun($run, $kind)->text();
    }
}
