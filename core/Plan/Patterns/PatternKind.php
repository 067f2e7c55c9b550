<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

/** What shapes patterns have; each is a rule of its own, and any number of named patterns follow it. */
enum PatternKind: string
{
    case SplitPanel = 'split-panel';
    case Tails = 'tails';
    case Block = 'block';
    case Leads = 'leads';
    case Chain = 'chain';
    case Outlets = 'outlets';

    public function rule(): Pattern
    {
        return match ($this) {
            self::SplitPanel => new SplitPanel(),
            self::Tails => new Tails(),
            self::Block => new LoadedBlock(),
            self::Leads => new PlainLeads(),
            self::Chain => new DaisyChain(),
            self::Outlets => new Outlets(),
        };
    }
}
