<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Installation\Fitting;

/** One connector on a sheet, with the legs of this end that go into it. */
final readonly class SheetFitting
{
    /**
     * @param  non-empty-list<SheetLeg>  $legs
     * @param  list<Block>  $blocks
     * @param  list<TerminalKind>  $terminals  that are joined here
     * @param  list<string>  $print  addresses as the terminals' own print orders them; empty: as the contacts
     * @param  list<string>  $mates  names of connectors that can hold it in the vice
     */
    public function __construct(
        public Fitting $fitting,
        public ConnectorType $type,
        public FittingLayout $layout,
        public ?ContactPlan $plan,
        public ?HoodExit $exit,
        public array $legs,
        public array $blocks,
        public array $terminals,
        public array $print,
        public array $mates,
    ) {
    }

    /** @return array<int|string, string> channel → the block that it is cut with, in words */
    public function blockNames(): array
    {
        $names = [];
        foreach ($this->blocks as $block) {
            $words = sprintf(
                'block %d, %s, channels %s to %s',
                $block->number,
                $block->colour,
                $block->channels[0],
                $block->channels[count($block->channels) - 1],
            );
            $names += array_fill_keys($block->channels, $words);
        }

        return $names;
    }

    public function isMains(): bool
    {
        return $this->type->domain === HazardDomain::Mains;
    }

    /** Like another but for its place and label: one description serves both. */
    public function isLike(self $other): bool
    {
        return $this->type === $other->type &&
            $this->plan === $other->plan &&
            $this->fitting->parts === $other->fitting->parts &&
            $this->fitting->clocking === $other->fitting->clocking &&
            $this->fitting->exit === $other->fitting->exit &&
            count($this->legs) === 1 &&
            count($other->legs) === 1 &&
            $this->legs[0]->leg->onEquipment === $other->legs[0]->leg->onEquipment &&
            $this->legs[0]->leg->measured == $other->legs[0]->leg->measured &&
            $this->legs[0]->leg->sleeve === $other->legs[0]->leg->sleeve &&
            $this->legs[0]->made?->procedure == $other->legs[0]->made?->procedure;
    }
}
