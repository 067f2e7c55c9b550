<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use App\Http\Resources\Given\ConnectorResource;
use App\Planning\Loaded;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\MakingFindings;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Pinout\Unused;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Ends\Preparing\LegSleeving;
use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Work\Bench\EndSheet;
use Sartal\Core\Work\Bench\RuleInForce;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;

/**
 * A sheet at the vice for the screen.
 *
 * @phpstan-import-type Drawing from ConnectorResource
 * @phpstan-import-type LeftBare from BareEndResource
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type Sheet array{
 *     run: string,
 *     code: string,
 *     version: int,
 *     side: value-of<Side>,
 *     location: string,
 *     cable: string,
 *     mains: bool,
 *     bare: LeftBare|null,
 *     fittings: list<FittingSheet>,
 *     alike: list<list<int>>,
 *     breakout: SheetSlide|null,
 *     opened: OpenedSheet|null,
 *     unused: list<array{conductor: string, colour: string, reason: string}>,
 *     rules: list<SheetRule>,
 * }
 * @phpstan-type SheetRule array{
 *     key: string,
 *     question: string,
 *     answer: string,
 *     for: string,
 *     own: bool,
 *     answers: list<array{value: int|string, words: string}>,
 * }
 * @phpstan-type FittingSheet array{
 *     id: string,
 *     version: int,
 *     label: string,
 *     drawing: Drawing|null,
 *     plan: string,
 *     channels: int,
 *     exit: string,
 *     exits: list<string>,
 *     clocking: int|null,
 *     clockings: list<int>,
 *     mains: bool,
 *     join: list<string>,
 *     legs: list<LegSheet>,
 *     blocks: list<array{
 *         number: int,
 *         channels: list<string>,
 *         colour: string,
 *         offset: string,
 *         length: WorkedOut,
 *         cut: string,
 *     }>,
 *     print: list<string>,
 *     mates: list<string>,
 * }
 * @phpstan-type LegSheet array{
 *     id: string,
 *     label: string,
 *     length: string,
 *     tail: WorkedOut|null,
 *     chosen: string,
 *     opened: string,
 *     measurable: bool,
 *     onEquipment: bool,
 *     measured: string|null,
 *     sleeving: LegSleeved|null,
 *     made: SheetMade,
 *     bench: string,
 *     cores: list<array{
 *         conductor: string,
 *         colour: string,
 *         element: string,
 *         address: string,
 *         terminal: string,
 *         function: string,
 *         channel: string,
 *         exception: string,
 *         length: WorkedOut,
 *         cut: string,
 *     }>,
 *     slides: list<SheetSlide>,
 *     contacts: list<string>,
 *     tools: list<string>,
 *     cautions: list<string>,
 * }
 * @phpstan-type LegSleeved array{
 *     chosen: string|null,
 *     name: string,
 *     cut: WorkedOut|null,
 *     ends: string,
 *     opening: bool,
 *     offered: list<array{id: string, name: string}>,
 * }
 * @phpstan-type OpenedSheet array{
 *     made: SheetMade,
 *     slides: list<SheetSlide>,
 *     tools: list<string>,
 *     cautions: list<string>,
 * }
 * @phpstan-type SheetMade array{
 *     id: string,
 *     name: string,
 *     source: string,
 *     edition: string,
 *     right: bool,
 *     wrong: list<string>,
 *     used: string,
 *     short: string|null,
 *     steps: list<SheetStep>,
 * }
 * @phpstan-type SheetStep array{
 *     id: string,
 *     words: string,
 *     mark: string,
 *     part: string,
 *     tool: string,
 *     check: string,
 *     catches: string,
 *     since: string,
 *     why: string,
 *     caution: string,
 *     seconds: int,
 *     locked: bool,
 *     gate: bool,
 * }
 * @phpstan-type SheetSlide array{name: string, colour: string, before: bool, note: string}
 */
final class SheetResource
{
    /** @return Sheet */
    public static function of(EndSheet $sheet, Loaded $loaded): array
    {
        // Asked for together; each of them asks for its own.
        $loaded->sharedVersions(DecisionKind::Fitting, array_map(
            static fn (SheetFitting $fitting): string => $fitting->fitting->id,
            $sheet->fittings,
        ));

        return [
            'run' => $sheet->run->id,
            'code' => $sheet->run->code,
            'version' => $loaded->versions[$sheet->run->id] ?? 0,
            'side' => $sheet->side->value,
            'location' => $sheet->location,
            'cable' => $sheet->cable->name,
            'mains' => $sheet->isMains(),
            'bare' => BareEndResource::of($sheet->run->end($sheet->side), $sheet->cable),
            'fittings' => array_map(
                static fn (SheetFitting $fitting): array => self::fitting($fitting, $sheet, $loaded),
                $sheet->fittings,
            ),
            'alike' => $sheet->alike,
            'breakout' => $sheet->breakout === null ? null : self::slide($sheet->breakout),
            'opened' => $sheet->opened === null ? null : self::opened($sheet->opened, $sheet),
            'unused' => array_map(
                static fn (Unused $unused): array => [
                    'conductor' => $unused->conductor,
                    'colour' => $sheet->cable->element($unused->conductor)->colour ?? '',
                    'reason' => $unused->reason,
                ],
                $sheet->unused,
            ),
            'rules' => array_map(
                self::rule(...),
                $sheet->rules,
            ),
        ];
    }

    /** @return SheetRule with the answers that one end may choose from by itself */
    private static function rule(RuleInForce $rule): array
    {
        $answer = $rule->answer;

        return [
            'key' => $answer::key(),
            'question' => $answer::question(),
            'answer' => $answer->words(),
            'for' => $rule->for,
            'own' => $rule->own,
            'answers' => $answer::latitude() !== Latitude::End ? [] : array_map(
                static fn (School $case): array => ['value' => $case->value, 'words' => $case->words()],
                array_values($answer::cases()),
            ),
        ];
    }

    /** @return OpenedSheet */
    private static function opened(OpenedEnd $opened, EndSheet $sheet): array
    {
        $cautions = array_map(static fn (StepMade $step): string => $step->step->caution, $opened->made->made->steps);

        return [
            'made' => self::made($opened->made, $sheet->cable, $sheet->run->end($sheet->side)->preparation),
            'slides' => array_map(self::slide(...), array_values($opened->slidHere())),
            'tools' => $opened->tools(),
            'cautions' => array_values(array_unique(array_diff($cautions, ['']))),
        ];
    }

    /** @return FittingSheet */
    private static function fitting(SheetFitting $fitting, EndSheet $sheet, Loaded $loaded): array
    {
        return [
            'id' => $fitting->fitting->id,
            'version' => $loaded->version(DecisionKind::Fitting, $fitting->fitting->id),
            'label' => $fitting->fitting->label,
            'drawing' => ConnectorResource::of($fitting->fitting, $loaded->installation->catalogue),
            'plan' => $fitting->plan->name ?? '',
            'channels' => count($fitting->plan->channels ?? []),
            'exit' => $fitting->exit->name ?? '',
            'exits' => array_map(static fn ($exit): string => $exit->name, $fitting->type->cable->exits),
            'clocking' => $fitting->fitting->clocking,
            'clockings' => $fitting->type->cable->clocking,
            'mains' => $fitting->type->domain->value === 'mains',
            'join' => array_values(
                array_unique(
                    array_map(
                        static fn (TerminalKind $terminal): string => $terminal->joining->words(),
                        $fitting->terminals,
                    ),
                ),
            ),
            'legs' => array_map(
                static fn (SheetLeg $leg): array => self::leg(
                    $leg,
                    $fitting,
                    $sheet,
                    $loaded->installation->catalogue,
                ),
                $fitting->legs,
            ),
            'blocks' => array_map(
                static fn (Block $block): array => [
                    'number' => $block->number,
                    'channels' => $block->channels,
                    'colour' => $block->colour,
                    'offset' => $block->offset->canonical(),
                    'length' => PlanEncoder::worked($block->length),
                    'cut' => self::block($block, $fitting)->canonical(),
                ],
                $fitting->blocks,
            ),
            'print' => $fitting->print,
            'mates' => $fitting->mates,
        ];
    }

    /** @return LegSheet */
    private static function leg(SheetLeg $leg, SheetFitting $fitting, EndSheet $sheet, Catalogue $catalogue): array
    {
        $made = $leg->preparation;
        $cable = $sheet->cable;
        $end = $sheet->run->end($sheet->side);
        $stated = $end->preparation;
        $isParted = count($end->legs) > 1;

        return [
            'id' => $leg->leg->id,
            'label' => $leg->leg->label,
            'length' => ($leg->tail->result ?? $leg->leg->length)->canonical(),
            'tail' => $leg->tail === null ? null : PlanEncoder::worked($leg->tail),
            'chosen' => $leg->leg->procedure,
            'opened' => $leg->leg->length->canonical(),
            'measurable' => $leg->leg->elements !== [''] && $leg->made?->procedure->beyondMeasured() !== null,
            'onEquipment' => $leg->leg->onEquipment,
            'measured' => $leg->leg->measured?->canonical(),
            'sleeving' => $isParted ? self::sleeving($leg, $sheet, $catalogue) : null,
            'made' => self::made($leg->made ?? $leg->done, $cable, $stated),
            'bench' => $leg->made === null || ! $leg->isRight() ? $leg->done->procedure->name : '',
            'cores' => array_map(
                static fn (CoreCut $core): array => [
                    'conductor' => $core->joint->conductor,
                    'colour' => $cable->element($core->joint->conductor)->colour ?? '',
                    'element' => str_contains($core->joint->conductor, '/')
                        ? $cable->element(
                            substr($core->joint->conductor, 0, (int) strrpos($core->joint->conductor, '/')),
                        )->label ?? ''
                        : '',
                    'address' => $core->joint->address(),
                    'terminal' => $fitting->layout->cavities[$core->joint->address()]->terminal ?? '',
                    'function' => $core->joint->function,
                    'channel' => $core->joint->channel,
                    'exception' => $core->joint->byHand,
                    'length' => PlanEncoder::worked($leg->worked($core)),
                    'cut' => $leg->reach($core)?->canonical() ?? '',
                ],
                $made->cores,
            ),
            'slides' => array_map(self::slide(...), $made->slides),
            'contacts' => array_map(static fn (Part $part): string => $part->name, $made->contacts),
            'tools' => $leg->tools(),
            'cautions' => $made->cautions,
        ];
    }

    /** @return LegSleeved its own sleeving, and what else would go round it */
    private static function sleeving(SheetLeg $leg, EndSheet $sheet, Catalogue $catalogue): array
    {
        $sleeving = $leg->sleeving;
        $offered = SleeveChoice::all($catalogue->parts(), LegSleeving::girth($leg->leg, $sheet->cable));

        return [
            'chosen' => $leg->leg->sleeve,
            'name' => $sleeving->sleeve->name ?? '',
            'cut' => $sleeving === null ? null : PlanEncoder::worked(SleeveChoice::cut($sleeving->along, 'the leg')),
            'ends' => lcfirst($sleeving->ends->name ?? ''),
            'opening' => $sheet->opened?->leg === $leg->leg->id,
            'offered' => array_map(
                static fn (Part $part): array => ['id' => $part->id, 'name' => $part->name],
                $offered,
            ),
        ];
    }

    /** The one length that all of a block are cut to. */
    private static function block(Block $block, SheetFitting $fitting): Length
    {
        foreach ($fitting->legs as $leg) {
            foreach ($leg->preparation->cores as $core) {
                if (in_array($core->joint->channel, $block->channels, true)) {
                    return $leg->reach($core) ?? $block->length->result;
                }
            }
        }

        return $block->length->result;
    }

    /**
     * An end as its procedure makes it, step by step.
     *
     * @return SheetMade
     */
    private static function made(MadeEnd $end, CableType $cable, Length $stated): array
    {
        $words = new StepWords($cable);
        $findings = (new MakingFindings($cable))->of($end->procedure, $end->made, Subject::cable($cable->id));
        $turns = $end->turns();

        return [
            'id' => $end->procedure->id,
            'name' => $end->procedure->name,
            'source' => $end->procedure->source,
            'edition' => $end->procedure->edition(),
            'right' => $end->made->isRight(),
            'wrong' => array_map(static fn (Finding $finding): string => $finding->words, $findings),
            'used' => $end->made->usedUp()->canonical(),
            'short' => self::short($end, $stated)?->canonical(),
            'steps' => array_map(
                static fn (StepMade $step, int $i): array => [
                    'id' => $step->step->id,
                    'words' => $words->does($step->doing),
                    'mark' => $words->length($step->doing),
                    'part' => $step->step->part,
                    'tool' => $step->step->tool,
                    'check' => $step->step->check,
                    'catches' => $step->step->catches,
                    'since' => $step->step->since,
                    'why' => $step->step->why,
                    'caution' => $step->step->caution,
                    'seconds' => $step->step->seconds,
                    'locked' => $step->step->locked,
                    'gate' => $i === $turns && $end->made->gate() !== [],
                ],
                $end->made->steps,
                array_keys($end->made->steps),
            ),
        ];
    }

    /** By how much more the end takes than the run has for making it; null where that is enough. */
    private static function short(MadeEnd $end, Length $stated): ?Length
    {
        $used = $end->made->usedUp();

        return $used->compare($stated) > 0 ? $used->minus($stated) : null;
    }

    /** @return SheetSlide */
    private static function slide(SlideOn $slide): array
    {
        return [
            'name' => $slide->part->name,
            'colour' => $slide->part->colour,
            'before' => $slide->before,
            'note' => $slide->note,
        ];
    }
}
