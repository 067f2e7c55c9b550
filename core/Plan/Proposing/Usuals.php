<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\SignalType;

/** What is usual of each signal. */
final readonly class Usuals
{
    /** @param  list<Usual>  $all */
    public function __construct(private array $all = [])
    {
    }

    /**
     * @param  list<string>  $words  that a line says, in lower case
     * @return ?Usual the use that the words name, else the one that needs none; null: none is usual
     */
    public function of(SignalType $signal, bool $isLead, array $words): ?Usual
    {
        $any = null;
        foreach ($this->all as $each) {
            if ($each->signal !== $signal->id || $each->isLead !== $isLead) {
                continue;
            }
            if (array_intersect($each->words, $words) !== []) {
                return $each;
            }
            $any ??= $each->words === [] ? $each : null;
        }

        return $any;
    }

    /** @return list<string> ids of cable types and contact plans that are usual of something */
    public function types(): array
    {
        $types = [];
        foreach ($this->all as $each) {
            array_push($types, ...$each->cables, ...$each->from, ...$each->to);
        }

        return array_values(array_unique($types));
    }

    /**
     * @param  list<string>  $words  in lower case
     * @return array{string, string}|null the signal that a use is of which goes by one of these words, and the word
     */
    public function named(bool $isLead, array $words): ?array
    {
        foreach ($this->all as $each) {
            $said = $each->isLead === $isLead ? array_values(array_intersect($words, $each->words)) : [];
            if ($said !== []) {
                return [$each->signal, $said[0]];
            }
        }

        return null;
    }
}
