<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\File\Fields;
use Sartal\Core\File\MakingCodec;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Measure\Length;

/** Procedures of the catalogue, and what tests do to them. */
final class Procedures
{
    public static function procedure(string $id): MakingProcedure
    {
        $problems = new Problems();
        $fields = Fields::from(self::json($id), 'procedure', $problems);
        $procedure = MakingCodec::decode($fields);
        $fields->done();
        $problems->settle();

        return $procedure;
    }

    public static function json(string $id): mixed
    {
        return json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/catalogue/procedures/'.$id.'.json'),
            true,
            512,
            JSON_THROW_ON_ERROR,
        );
    }

    public static function changed(MakingProcedure $procedure, string $id, string $length): MakingProcedure
    {
        return $procedure->withSteps(array_map(static function (MakingStep $step) use ($id, $length): MakingStep {
            if ($step->id !== $id || $step->measure === null) {
                return $step;
            }

            return new MakingStep(
                $step->id,
                $step->verb,
                $step->of,
                new Measure(
                    Length::parse($length),
                    $length,
                    $step->measure->kind,
                    $step->measure->from,
                    $step->measure->mark,
                ),
                $step->part,
                seconds: $step->seconds,
            );
        }, $procedure->steps));
    }

    public static function without(MakingProcedure $procedure, string $id): MakingProcedure
    {
        return $procedure->withSteps(
            array_values(array_filter($procedure->steps, static fn (MakingStep $step): bool => $step->id !== $id)),
        );
    }

    public static function step(MakingProcedure $procedure, string $id): MakingStep
    {
        foreach ($procedure->steps as $step) {
            if ($step->id === $id) {
                return $step;
            }
        }
        throw new RuntimeException('There is no step '.$id.'.');
    }

    /** @return list<string> */
    public static function lacks(Made $made): array
    {
        return array_merge(...array_map(static fn (StepMade $step): array => $step->lacks, $made->steps), ...[[]]);
    }

    /** @return list<string> */
    public static function ids(Made $made): array
    {
        return array_map(static fn (StepMade $step): string => $step->step->id, $made->steps);
    }
}
