<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;

/** What an operation is done by, edition by edition, as the fingerprints of its records are made of it. */
final class OperationFacts
{
    /** Of the facts that it is done by: done by others, it is overtaken. */
    public static function fingerprint(Operation $operation): string
    {
        return Fingerprint::make(self::facts($operation, Edition::now()), Edition::now());
    }

    /** Whether what was done by this fingerprint is what is to be done. */
    public static function stand(Operation $operation, string $fingerprint): bool
    {
        $edition = Fingerprint::edition($fingerprint);

        $former = $edition === null || $edition->value >= Edition::Third->value
            ? null
            : self::formerly($operation, $operation->id);

        return match (true) {
            $former !== null => in_array($fingerprint, $former->prints, true),
            $edition === null => false,
            $edition === Edition::First => $fingerprint === Fingerprint::make(self::sentences($operation), $edition),
            default => $fingerprint === Fingerprint::make(self::facts($operation, $edition), $edition),
        };
    }

    /** What it stands for of what an earlier edition called so; null where that did not know it. */
    public static function formerly(Operation $operation, string $id): ?Former
    {
        foreach ($operation->formers as $former) {
            if (in_array($id, $former->ids, true)) {
                return $former;
            }
        }

        return null;
    }

    /** @return list<string> of a step as an earlier edition had it, one of each edition */
    public static function former(Operation $operation): array
    {
        return [
            Fingerprint::make(self::sentences($operation), Edition::First),
            Fingerprint::make(self::facts($operation, Edition::Second), Edition::Second),
        ];
    }

    /** @return list<mixed> */
    private static function facts(Operation $operation, Edition $edition): array
    {
        $cores = array_map(
            static fn (BenchCore $core): array => [$core->run, $core->conductor, $core->to],
            $operation->cores,
        );
        $lengths = array_map(
            static fn (CutTo $cut): array => [
                $cut->length->nanometres,
                $cut->most?->nanometres,
                Fingerprint::sorted($cut->of),
            ],
            $operation->lengths,
        );
        sort($cores);
        sort($lengths);

        return [
            $operation->task->value,
            ($operation->sum?->known($edition) ?? $operation->at)?->nanometres,
            $operation->part,
            $operation->address,
            $cores,
            $lengths,
            $operation->facts,
        ];
    }

    /**
     * The first edition took the sentences for the facts. What was recorded by
     * it carries nothing else, so it stands while they read the same.
     *
     * @return list<mixed>
     */
    private static function sentences(Operation $operation): array
    {
        return [
            $operation->task->value,
            $operation->words,
            $operation->detail,
            ($operation->sum?->known(Edition::First) ?? $operation->at)?->nanometres,
            $operation->part,
            $operation->address,
            array_map(
                static fn (BenchCore $core): array => [$core->run, $core->conductor, $core->colour],
                $operation->cores,
            ),
            array_map(static fn (CutTo $cut): array => [$cut->length->nanometres, $cut->for], $operation->lengths),
        ];
    }
}
