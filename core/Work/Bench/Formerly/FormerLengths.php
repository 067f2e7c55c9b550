<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench\Formerly;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Given\Catalogue\Former\Layer;
use Sartal\Core\Given\Catalogue\Former\Recipe;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Bench\CutTo;
use Sartal\Core\Work\Bench\SheetFitting;
use Sartal\Core\Work\Bench\SheetLeg;

/** How long cores were left by a recipe, from the end of the sheath. */
final readonly class FormerLengths
{
    /** @param  list<string>  $protective  circuits and functions of protective earth: "circuit function" */
    public function __construct(private ?Recipe $recipe, private SheetLeg $leg, private array $protective)
    {
    }

    /** The sheath came off at least as far back as the longest core needed. */
    public function recipe(): ?Recipe
    {
        $sheath = $this->recipe?->mark(Layer::Sheath);
        if ($this->recipe === null || $sheath === null) {
            return $this->recipe;
        }
        $longest = Length::zero();
        foreach ($this->leg->preparation->cores as $core) {
            $length = $this->of($core);
            $longest = $length->compare($longest) > 0 ? $length : $longest;
        }
        $longest = $longest->roundedUpTo(Length::millimetres(1));

        return $longest->compare($sheath) > 0 ? $this->recipe->lengthenedBy($longest->minus($sheath)) : $this->recipe;
    }

    private function of(CoreCut $core): Length
    {
        $joint = $core->joint;
        $length = $this->recipe->cores[$joint->function] ??
            ($core->reach->result ?? $this->recipe?->mark(Layer::Sheath) ?? Length::zero());
        $isEarth = in_array($joint->circuit.' '.$joint->function, $this->protective, true);

        return $isEarth && $this->recipe !== null ? $length->plus($this->recipe->earthLonger) : $length;
    }

    /**
     * Where each core had its own terminal to reach, block by block; elsewhere by function.
     *
     * @return non-empty-list<CutTo>|array{} one where all were of one length
     */
    public function cuts(SheetFitting $fitting): array
    {
        $names = $fitting->blockNames();
        $ranges = $conductors = [];
        foreach ($this->leg->preparation->cores as $core) {
            $name = $names[$core->joint->channel] ?? ($core->joint->function === '' ? 'core' : $core->joint->function);
            $conductors[$name][] = $core->joint->conductor;
            $length = $this->of($core);
            [$least, $most] = $ranges[$name] ?? [$length, $length];
            $ranges[$name] = [
                $length->compare($least) < 0 ? $length : $least,
                $length->compare($most) > 0 ? $length : $most,
            ];
        }
        $cuts = $spelled = [];
        foreach ($ranges as $name => [$least, $most]) {
            $range = $most->compare($least) === 0 ? null : $most;
            $cuts[] = new CutTo($least, (string) $name, $range, $conductors[$name]);
            $spelled[] = $least->canonical().($range?->canonical() ?? '');
        }

        return count(array_unique($spelled)) === 1 ? array_slice($cuts, 0, 1) : $cuts;
    }
}
