<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Measure\Length;

/** A piece that was cut: how long it really is, and off what. */
final readonly class CutMade
{
    /**
     * @param  ?string  $reel  reel id; null where nobody said
     * @param  ?float  $from  jacket mark at its first end
     * @param  ?float  $to  jacket mark at its last
     * @param  string  $cable  type that it is of; "" where it was not written down
     * @param  bool  $planned  nobody measured it: it is as long as the plan had it
     */
    public function __construct(
        public Length $length,
        public ?string $reel = null,
        public ?float $from = null,
        public ?float $to = null,
        public string $cable = '',
        public bool $planned = false,
    ) {
    }

    public function of(string $cable): self
    {
        return new self($this->length, $this->reel, $this->from, $this->to, $cable, $this->planned);
    }
}
