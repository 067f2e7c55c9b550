<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Withers;

/** What a connector asks of the cable that is made to it, and what it takes to make it. */
final readonly class CableSide
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  ?DiameterRange  $entry  null where nothing holds the cable (a panel's solder side)
     * @param  list<string>  $chucks  part ids: one is chosen by the cable's diameter
     * @param  list<string>  $ferrules  part ids: one is chosen by the cable's diameter and jacket
     * @param  array<int|string, TerminalKind>  $terminals  by name; a cavity that names none has the first
     * @param  list<HoodExit>  $exits  the usual one first
     * @param  list<int>  $clocking  degrees at which a plug that points somewhere can be set
     * @param  list<string>  $slides  part ids in the order in which they go on, first on first
     * @param  array<int|string, string>  $procedures  how the cable prepares → id of what makes its ends
     * @param  list<string>  $print  contact addresses in the order that the terminals print shows, where it is not the
     *     contacts' own
     * @param  list<string>  $kit  part ids that come with it: what is not used goes on the shelf
     * @param  bool  $staggered  each core is cut to the distance of its own terminal
     * @param  array<int|string, int>  $hardware  part id → how many hold it in its panel, or close it
     */
    public function __construct(
        public ?DiameterRange $entry = null,
        public array $chucks = [],
        public array $ferrules = [],
        public array $terminals = [],
        public ScreenTake $screen = ScreenTake::Contact,
        public ShellTie $shell = ShellTie::None,
        public Boot $boot = Boot::Bare,
        public array $exits = [],
        public array $clocking = [],
        public array $slides = [],
        public array $procedures = [],
        public array $print = [],
        public array $hardware = [],
        public bool $staggered = false,
        public array $kit = [],
    ) {
    }

    /** @param  array<int|string, string>  $procedures  how the cable prepares → id of what makes its ends */
    public function naming(array $procedures): self
    {
        return $this->copy(['procedures' => $procedures]);
    }

    /** @return list<string> ids of every part that it names */
    public function parts(): array
    {
        $parts = [
            ...$this->chucks,
            ...$this->ferrules,
            ...$this->slides,
            ...array_map(strval(...), array_keys($this->hardware)),
            ...$this->kit,
        ];
        foreach ($this->terminals as $terminal) {
            array_push($parts, ...$terminal->parts);
        }

        return $parts;
    }

    public function terminal(Cavity $cavity): ?TerminalKind
    {
        $first = array_key_first($this->terminals);

        return $this->terminals[$cavity->kind] ?? ($first === null ? null : $this->terminals[$first]);
    }

    public function exit(string $name): ?HoodExit
    {
        foreach ($this->exits as $exit) {
            if ($exit->name === $name) {
                return $exit;
            }
        }

        return $this->exits[0] ?? null;
    }
}
