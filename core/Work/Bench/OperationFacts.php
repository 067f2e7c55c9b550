<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Measure\Length;

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

        $former = $edition === null ? null : self::formerly($operation, $operation->id);
        $isFormer = $former !== null && in_array($fingerprint, $former->prints, true);

        return match (true) {
            // What the third edition called so was a procedure's, or a recipe's where none made the end right.
            $isFormer, $former !== null && $edition?->value < Edition::Third->value => $isFormer,
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

    /**
     * Of a step as recipes had it, one of each edition that made ends by them.
     *
     * @param  list<BenchCore>  $cores
     * @param  list<CutTo>  $lengths
     * @param  list<string>  $facts
     * @return list<string>
     */
    public static function formerPrints(
        Task $task,
        string $words,
        string $detail,
        ?Length $at,
        string $part,
        string $address,
        array $cores,
        array $lengths,
        array $facts,
    ): array {
        $known = self::known($task, $at?->nanometres, $part, $address, $cores, $lengths, $facts);

        return [
            Fingerprint::make(
                self::said($task, $words, $detail, $at?->nanometres, $part, $address, $cores, $lengths),
                Edition::First,
            ),
            Fingerprint::make($known, Edition::Second),
            // Ends that no procedure made right were made by recipes still.
            Fingerprint::make($known, Edition::Third),
        ];
    }

    /** @return list<mixed> */
    private static function facts(Operation $of, Edition $edition): array
    {
        return self::known(
            $of->task,
            ($of->sum?->known($edition) ?? $of->at)?->nanometres,
            $of->part,
            $of->address,
            $of->cores,
            $of->lengths,
            $of->facts,
        );
    }

    /**
     * @param  ?int  $at  nm
     * @param  list<BenchCore>  $cores
     * @param  list<CutTo>  $lengths
     * @param  list<string>  $facts
     * @return list<mixed>
     */
    private static function known(
        Task $task,
        ?int $at,
        string $part,
        string $address,
        array $cores,
        array $lengths,
        array $facts,
    ): array {
        $wires = array_map(
            static fn (BenchCore $core): array => [$core->run, $core->conductor, $core->to],
            $cores,
        );
        $cuts = array_map(
            static fn (CutTo $cut): array => [
                $cut->length->nanometres,
                $cut->most?->nanometres,
                Fingerprint::sorted($cut->of),
            ],
            $lengths,
        );
        sort($wires);
        sort($cuts);

        return [$task->value, $at, $part, $address, $wires, $cuts, $facts];
    }

    /**
     * The first edition took the sentences for the facts. What was recorded by
     * it carries nothing else, so it stands while they read the same.
     *
     * @return list<mixed>
     */
    private static function sentences(Operation $of): array
    {
        return self::said(
            $of->task,
            $of->words,
            $of->detail,
            ($of->sum?->known(Edition::First) ?? $of->at)?->nanometres,
            $of->part,
            $of->address,
            $of->cores,
            $of->lengths,
        );
    }

    /**
     * @param  ?int  $at  nm
     * @param  list<BenchCore>  $cores
     * @param  list<CutTo>  $lengths
     * @return list<mixed>
     */
    private static function said(
        Task $task,
        string $words,
        string $detail,
        ?int $at,
        string $part,
        string $address,
        array $cores,
        array $lengths,
    ): array {
        return [
            $task->value,
            $words,
            $detail,
            $at,
            $part,
            $address,
            array_map(
                static fn (BenchCore $core): array => [$core->run, $core->conductor, $core->colour],
                $cores,
            ),
            array_map(static fn (CutTo $cut): array => [$cut->length->nanometres, $cut->for], $lengths),
        ];
    }
}
