<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Preparing\LegPreparation;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\MainsEnds;

/**
 * What is done at an end of which nobody has said how it is made right: what has to be on the cable, its joints, a
 * look, what is brought up. Without one length: those are its maker's to say. It is never right.
 */
final readonly class PlainMaking
{
    public const ID = '';

    private const CONDUCTORS = [PieceKind::Metal, PieceKind::Drain, PieceKind::Braid, PieceKind::Lapped];

    /** @param  list<MakingStep>  $secures  looks that secure somebody's life */
    public function __construct(
        private LegPreparation $preparation,
        private FittingLayout $layout,
        private HouseRules $rules,
        private array $secures,
    ) {
    }

    public function procedure(): MakingProcedure
    {
        $joinings = $this->joinings();
        $any = new Selector([]);
        $landed = new Selector(self::CONDUCTORS, Onto::Terminal);

        return new MakingProcedure(
            self::ID,
            'As its maker says',
            [
                ...$this->secures,
                ...$this->each(Verb::Slide, true),
                new MakingStep(
                    'prepare',
                    Verb::LookOver,
                    $any,
                    check: 'it is prepared as its maker’s leaflet says, and no core is nicked',
                    why: 'Nobody has said how this end is made right: name a procedure for it.',
                    caution: 'Cut away from yourself; keep the free hand behind the blade.',
                ),
                ...$this->tips($joinings, $landed),
                new MakingStep('join', self::joining($joinings), $landed),
                new MakingStep('tug', Verb::Tug, $any, check: 'nothing moves'),
                new MakingStep('look', Verb::LookOver, $any, check: 'every joint whole, nothing bare beside another'),
                ...$this->each(Verb::Seat, false),
                ...$this->shrinks(),
                new MakingStep('shut', Verb::Close, $any),
            ],
            [],
            'nobody yet',
        );
    }

    /** @return list<Joining> of its terminals */
    private function joinings(): array
    {
        $joinings = [];
        foreach ($this->preparation->cores as $core) {
            $joining = $this->layout->terminal($core->joint->address())?->joining;
            array_push($joinings, ...$joining === null ? [] : [$joining]);
        }

        return $joinings;
    }

    /** @param  list<Joining>  $joinings */
    private static function joining(array $joinings): Verb
    {
        return match (true) {
            in_array(Joining::DisplacementPlug, $joinings, true) => Verb::PressIn,
            in_array(Joining::Crimp, $joinings, true) => Verb::Load,
            in_array(Joining::Screw, $joinings, true) => Verb::Clamp,
            default => Verb::Join,
        };
    }

    /**
     * What is done to bare tips as the house has it.
     *
     * @param  list<Joining>  $joinings
     * @return list<MakingStep>
     */
    private function tips(array $joinings, Selector $landed): array
    {
        $isCrimped = in_array(Joining::Crimp, $joinings, true);
        $isScrewed = in_array(Joining::Screw, $joinings, true);
        $isSoldered = $this->rules->on(ContactsMade::class) === ContactsMade::SolderAll;
        $isMains = $this->layout->types['']->domain === HazardDomain::Mains;
        $isHot = array_filter($joinings, static fn (Joining $joining): bool => $joining->isHot()) !== [] ||
            ($isCrimped && $isSoldered) ||
            ($isScrewed && $isMains && $this->rules->on(MainsEnds::class) === MainsEnds::Tinned);
        $fumes = 'Hot iron and fumes: ventilate, wash hands after leaded solder.';

        return [
            ...$isHot ? [new MakingStep('tin', Verb::Tin, $landed, tool: 'iron at 350 °C', caution: $fumes)] : [],
            ...$isCrimped && ! $isSoldered ? [new MakingStep('contacts', Verb::Crimp, $landed, part: 'contact')] : [],
            ...$isScrewed ? [new MakingStep('ferrules', Verb::Ferrule, $landed)] : [],
        ];
    }

    /** @return list<MakingStep> of every part that goes on before, or can wait */
    private function each(Verb $verb, bool $isBefore): array
    {
        $names = [];
        foreach ($this->preparation->slides as $slide) {
            $names[Stations::name($slide)] = $slide->before === $isBefore;
        }

        return array_map(
            static fn (string $name): MakingStep => self::on($name, $verb),
            array_map(strval(...), array_keys(array_filter($names))),
        );
    }

    private static function on(string $part, Verb $verb): MakingStep
    {
        return new MakingStep($verb->value.'-'.$part, $verb, new Selector([]), part: $part);
    }

    /** @return list<MakingStep> */
    private function shrinks(): array
    {
        $shrinks = array_filter(
            $this->preparation->slides,
            static fn (SlideOn $slide): bool => $slide->part->kind === PartKind::Shrink,
        );

        return array_map(
            static fn (string $name): MakingStep => self::on($name, Verb::Shrink),
            array_values(array_unique(array_map(Stations::name(...), $shrinks))),
        );
    }
}
