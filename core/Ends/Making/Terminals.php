<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Given\Measure\Length;

/** Where an end's conductors go, and how those places are got at. */
final readonly class Terminals
{
    /**
     * @param  array<int|string, string>  $goes  key of a conductor → its terminal
     * @param  list<string>  $screens  keys of those that are a screen's
     * @param  list<string>  $earths  keys of those that are protective earth's
     * @param  list<string>  $row  elements as the connector takes them, side by side; nothing where each has its own
     *     terminal
     * @param  array<int|string, list<string>>  $covers  terminal → terminals that nobody gets at once it is joined
     * @param  list<string>  $order  terminals as they are joined one after the other; nothing where nobody said
     * @param  array<int|string, Length>  $reaches  terminal → how far it is from where the sheath ends in the connector
     * @param  array<int|string, int>  $takes  terminal → how many conductors its maker lets into it; without it nobody
     *     knows, and it is one
     * @param  bool  $throughLugs  they are open lugs: wire goes through, and none that was filled takes it
     * @param  list<string>  $sleeved  keys of bare conductors that have to be in a sleeve
     */
    public function __construct(
        public array $goes = [],
        public array $screens = [],
        public array $earths = [],
        public array $row = [],
        public array $covers = [],
        public array $order = [],
        public array $reaches = [],
        public array $takes = [],
        public bool $throughLugs = false,
        public array $sleeved = [],
    ) {
    }

    public function of(Piece $piece): ?string
    {
        return $this->goes[$piece->key()] ?? null;
    }

    /** @return list<string> as they are first come to */
    public function all(): array
    {
        return array_values(array_unique(array_values($this->goes)));
    }

    /** @return list<string> that others lie over once they are joined */
    public function covered(): array
    {
        return array_values(array_unique(array_merge(...array_values($this->covers), ...[[]])));
    }
}
