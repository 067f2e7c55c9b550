<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Kept;

/** A connector, or an insert for a modular one, that can be bought. */
final readonly class ConnectorType
{
    /** What has been worked out of it. */
    public Kept $kept;

    /** The address of every connector's shell. */
    public const SHELL = 'shell';

    /**
     * @param  string  $family  a bay accepts inserts by it
     * @param  bool  $conductiveShell  can be probed and joined like a contact
     * @param  list<Cavity>  $cavities
     * @param  list<Bay>  $bays
     * @param  list<BuiltInSwitch>  $switches
     * @param  list<MatingMode>  $mates
     * @param  list<string>  $cautions  shown wherever it is worked on
     * @param  ?int  $impedance  in Ω, where it is made for one
     * @param  bool  $retired  kept for those who use it, offered to nobody
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $short,
        public string $family,
        public Gender $gender,
        public HazardDomain $domain,
        public Outline $outline,
        public bool $conductiveShell,
        public int $shellWires,
        public array $cavities,
        public array $bays = [],
        public array $switches = [],
        public array $mates = [],
        public array $cautions = [],
        public Mount $mount = Mount::Cable,
        public ?int $impedance = null,
        public CableSide $cable = new CableSide(),
        public bool $retired = false,
    ) {
        $this->kept = new Kept();
    }

    public function matesWith(self $other): ?MatingMode
    {
        foreach ($this->mates as $mode) {
            if ($mode->with === $other->id) {
                return $mode;
            }
        }

        return null;
    }

    /** @param  array<int|string, string>  $procedures  how the cable prepares → id of what makes its ends */
    public function naming(array $procedures): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->short,
            $this->family,
            $this->gender,
            $this->domain,
            $this->outline,
            $this->conductiveShell,
            $this->shellWires,
            $this->cavities,
            $this->bays,
            $this->switches,
            $this->mates,
            $this->cautions,
            $this->mount,
            $this->impedance,
            $this->cable->naming($procedures),
            $this->retired,
        );
    }
}
