<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\Passing;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Preparing\SlideOver;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/** What is put on one leg before anything is done to its end. */
final readonly class LegSlides
{
    public function __construct(private OperationDraft $draft)
    {
    }

    /**
     * @param  list<SlideOn>  $slides
     * @return array{list<SlideOn>, list<SlideOn>} what must be on first, and what can wait
     */
    public static function parted(array $slides, bool $shares): array
    {
        $early = $late = [];
        foreach ($slides as $slide) {
            if ($slide->over !== SlideOver::Leg || ($shares && $slide->part->kind->isOnePerConnector())) {
                continue;
            }
            $slide->before ? ($early[] = $slide) : ($late[] = $slide);
        }

        return [$early, $late];
    }

    /**
     * The first goes on first and ends up farthest from the tip: what has to
     * lie behind another part goes on before it, unless it gets past it.
     *
     * @param  list<SlideOn>  $slides
     * @param  array{run: string, side: Side, fitting: string, leg: string, place: string}  $base
     * @param  \Closure(StepKind, ?string=, ?string=): StepId  $step
     * @param  list<string>  $after
     * @return array{list<string>, ?string, list<string>} all of them; the label's; those that are shrunk
     */
    public function of(
        array $slides,
        ?Part $label,
        array $base,
        \Closure $step,
        array $after,
        ?Skill $skill,
    ): array {
        $sleeve = $label !== null && ! $label->split;
        if ($sleeve) {
            array_unshift(
                $slides,
                new SlideOn(
                    $label,
                    true,
                    'the label, printed',
                    1,
                    'A label that is a sleeve goes on from the free end.',
                ),
            );
        }
        $ids = $shrinks = [];
        $alike = new Alike();
        foreach ($slides as $i => $slide) {
            $ids[$i] = $this->draft->add(
                new Operation(
                    ...$base + [
                        'step' => $step(StepKind::SlideOn, $alike->key($slide->part->id), 'slide|'.$i),
                        'task' => Task::SlideOn,
                        'words' => 'Slide on '.self::name($slide),
                        'pace' => Pace::SlideOn,
                        'phase' => Phase::OnLeg,
                        'turn' => $i,
                        'detail' => $slide->note,
                        'part' => $slide->part->id,
                        'like' => 'slide|'.$slide->part->id,
                        'why' => $slide->why,
                        'skill' => $skill,
                        'facts' => self::several($slide),
                    ],
                ),
            );
            $this->draft->need($ids[$i], $after, 'It goes on from this end, past what lies behind it.');
            for ($j = 0; $j < $i; $j++) {
                if (! Passing::part($slides[$j]->part, $slide->part)) {
                    $this->draft->need(
                        $ids[$i],
                        $ids[$j],
                        sprintf('%s sits behind it and does not get past it.', $slides[$j]->part->name),
                    );
                }
            }
            if ($slide->part->kind === PartKind::Shrink) {
                $shrinks[] = $ids[$i];
            }
        }

        return [array_values($ids), $sleeve ? $ids[0] : null, $shrinks];
    }

    public static function name(SlideOn $slide): string
    {
        return lcfirst($slide->part->name).($slide->count > 1 ? sprintf(' × %d', $slide->count) : '');
    }

    /** @return list<string> */
    public static function several(SlideOn $slide): array
    {
        return $slide->count === 1 ? [] : [(string) $slide->count];
    }
}
