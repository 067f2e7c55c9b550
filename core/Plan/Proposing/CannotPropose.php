<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use DomainException;

/** A request that cannot be unfolded; the field it is about, the value, and the remedy. */
final class CannotPropose extends DomainException
{
    /** @param  bool  $isNoPlace  a place that does not exist was named: it could be made */
    private function __construct(
        public readonly string $field,
        public readonly string $value,
        string $message,
        public readonly bool $isNoPlace = false,
    ) {
        parent::__construct($message);
    }

    public static function unknown(string $field, string $value, string $what): self
    {
        return new self($field, $value, sprintf('There is no %s "%s". Choose one from the catalogue.', $what, $value));
    }

    public static function unreadable(string $text): self
    {
        return new self(
            'line',
            $text,
            'Write how many, which signal, from where > to where, and via what: 24 mic stage box 1 > amp rack via '.
                'under-stage tray.',
        );
    }

    /** A line that names more than two places. */
    public static function chained(string $text): self
    {
        return new self(
            'line',
            $text,
            'A line goes from one place to one other. Write a line for each stretch, or name ways with "via".',
        );
    }

    /** Whoever joins mains chooses what is joined. */
    public static function mains(string $text): self
    {
        return new self(
            'signal',
            $text,
            'Cable and connectors of mains are not guessed. Add the run in the form and choose them; mains is joined '.
                'by licensed persons under local code.',
        );
    }

    public static function unsaid(string $field, string $value, string $remedy): self
    {
        return new self($field, $value, $remedy);
    }

    /** A place that does not exist. */
    public static function noPlace(string $field, string $value): self
    {
        return new self($field, $value, 'No place has such a name. Make it, or say another.', true);
    }

    public static function carriesNothing(string $cable, string $signal): self
    {
        return new self(
            'signal',
            $signal,
            sprintf('No element of %s can carry %s. Choose another cable or signal.', $cable, $signal),
        );
    }

    public static function planWithoutSignal(string $field, string $plan, string $signal): self
    {
        return new self(
            $field,
            $plan,
            sprintf('Plan "%s" has no contact for %s. Choose a plan for that signal.', $plan, $signal),
        );
    }
}
