<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Lie;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Measure\Length;

/** What a connector demands of a finished end: a length of each of some pieces, within a range, and how it lies. */
final readonly class EndDemand
{
    /**
     * @param  string  $name  what is demanded, in words: "sheath within the clamp"
     * @param  DemandOf  $what  the length that is looked at
     * @param  string  $defect  what it is called where it is not so
     * @param  ?Lie  $lies  how it has to lie; null: as it may
     * @param  Under  $under  only where the house has it so
     */
    public function __construct(
        public string $name,
        public DemandOf $what,
        public Selector $of,
        public Length $least,
        public Length $most,
        public string $defect = '',
        public ?Lie $lies = null,
        public Under $under = new Under(),
    ) {
    }

    /** @return list<string> what does not meet it, with figures */
    public function unmet(Workpiece $on, Station $station): array
    {
        $unmet = [];
        if (! $this->under->holds($station)) {
            return $unmet;
        }
        foreach ($this->of->of($on->end, $station) as $piece) {
            $is = $this->what->measured($on->end, $piece, $station);
            if ($is === null || $is->compare($this->least) < 0 || $is->compare($this->most) > 0) {
                $unmet[] = sprintf(
                    '%s: %s of %s is %s; it has to be %s to %s.',
                    ucfirst($this->name),
                    $this->what->words(),
                    Doing::name($piece),
                    $is?->canonical() ?? 'not there',
                    $this->least->canonical(),
                    $this->most->canonical(),
                );
            }
            if ($this->lies !== null && $piece->lie !== $this->lies) {
                $unmet[] = sprintf(
                    '%s: %s is %s; it has to be %s.',
                    ucfirst($this->name),
                    Doing::name($piece),
                    $piece->lie->words(),
                    $this->lies->words(),
                );
            }
        }

        return $unmet;
    }
}
