<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use App\Documents\Drawing\EndPicture;
use App\Documents\Drawing\SvgCanvas;
use Sartal\Core\Ends\Making\MakingFindings;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Plan\Proposing\TriedEnd;

/**
 * A procedure as it goes on real ends: what each step says and lacks there, and the end after the one in hand.
 *
 * @phpstan-type TrialShown array{
 *     ends: list<array{name: string, here: bool, right: bool, wrong: list<string>}>,
 *     end: int,
 *     steps: list<TrialStep>,
 *     unmet: list<string>,
 *     used: string|null,
 *     picture: string|null,
 *     locked: list<string>,
 * }
 * @phpstan-type TrialStep array{id: string, words: string, mark: string, lacks: list<string>, called: bool}
 */
final class TrialResource
{
    /** Width of the picture of an end, mm. */
    private const PICTURE = 132.0;

    /**
     * @param  list<TriedEnd>  $ends
     * @param  int  $at  the end that is looked at
     * @param  string  $step  after which it is drawn; "" after the last
     * @param  list<string>  $locked  what the procedure lacks of what secures somebody's life
     * @return TrialShown
     */
    public static function of(MakingProcedure $procedure, array $ends, int $at, string $step, array $locked): array
    {
        $at = isset($ends[$at]) ? $at : 0;
        $end = $ends[$at] ?? null;

        return [
            'ends' => array_map(
                static fn (TriedEnd $tried): array => [
                    'name' => $tried->name,
                    'here' => $tried->isHere,
                    'right' => $tried->made->made->isRight(),
                    'wrong' => self::wrong($procedure, $tried),
                ],
                $ends,
            ),
            'end' => $at,
            'steps' => array_map(
                static fn (MakingStep $each): array => self::step($each, $end),
                $procedure->steps,
            ),
            'unmet' => $end->made->made->unmet ?? [],
            'used' => $end?->made->made->usedUp()->canonical(),
            'picture' => $end === null ? null : self::picture($end, $step),
            'locked' => $locked,
        ];
    }

    /** @return list<string> */
    private static function wrong(MakingProcedure $procedure, TriedEnd $tried): array
    {
        $subject = Subject::cable($tried->cable->id);
        $findings = (new MakingFindings($tried->cable))->of($procedure, $tried->made->made, $subject);

        return array_map(static fn (Finding $finding): string => $finding->words, $findings);
    }

    /** @return TrialStep a step that this end has nothing for is called what it does, and not called for */
    private static function step(MakingStep $step, ?TriedEnd $end): array
    {
        $made = $end?->made->step($step->id);
        if ($end === null || $made === null) {
            return ['id' => $step->id, 'words' => '', 'mark' => '', 'lacks' => [], 'called' => false];
        }
        $words = new StepWords($end->cable);

        return [
            'id' => $step->id,
            'words' => $words->does($made->doing),
            'mark' => $words->length($made->doing),
            'lacks' => $made->lacks,
            'called' => true,
        ];
    }

    private static function picture(TriedEnd $end, string $id): ?string
    {
        $step = self::drawn($end, $id);
        if ($step === null) {
            return null;
        }
        $picture = new EndPicture($end->cable);
        $canvas = new SvgCanvas(self::PICTURE, $picture->height($step->after) + 4);
        $picture->on($canvas, $step, 3, 3, self::PICTURE - 6);

        return $canvas->page(1);
    }

    /** Of a step that this end has nothing for: the last one before it. */
    private static function drawn(TriedEnd $end, string $id): ?StepMade
    {
        $steps = $end->made->made->steps;
        if ($id === '') {
            return $steps[count($steps) - 1] ?? null;
        }
        $last = null;
        foreach ($end->made->procedure->steps as $step) {
            $last = $end->made->step($step->id) ?? $last;
            if ($step->id === $id) {
                return $last;
            }
        }

        return $last;
    }
}
