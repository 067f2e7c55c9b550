<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Withers;

/** A signal from one channel to one or more others, whichever runs it passes through. */
final readonly class Circuit
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $from  fitting that its source is plugged into; "" where nobody said
     * @param  string  $phantom  fitting that phantom power comes in by; "" where none does
     * @param  string  $terminator  fitting or "device:port" that ends a daisy chain; "" where nobody said
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $signal,
        public Topology $topology = Topology::PointToPoint,
        public string $from = '',
        public string $phantom = '',
        public string $terminator = '',
        public Demand $demand = new Demand(),
    ) {
    }

    /**
     * Coming by none of these any more; the same where it came by none.
     *
     * @param  array<int|string, mixed>  $fittings  by id
     */
    public function without(array $fittings): self
    {
        $gone = array_filter(
            ['from' => $this->from, 'phantom' => $this->phantom, 'terminator' => $this->terminator],
            static fn (string $fitting): bool => isset($fittings[$fitting]),
        );

        return $gone === [] ? $this : $this->copy(array_fill_keys(array_keys($gone), ''));
    }

    /** A direct split, fed and powered from where these are. */
    public function splitAt(string $name, string $from, string $phantom): self
    {
        return $this->copy([
            'name' => $name,
            'topology' => Topology::Split,
            'from' => $from,
            'phantom' => $phantom,
        ]);
    }

    /** A line from device to device, ended at its last. */
    public function inLine(string $name, string $from, string $terminator): self
    {
        return $this->copy([
            'name' => $name,
            'topology' => Topology::DaisyChain,
            'from' => $from,
            'terminator' => $terminator,
        ]);
    }
}
