<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Installation\Side;

/** One conductor's end in one terminal (or splice), and what it serves there. */
final readonly class Joint
{
    /**
     * @param  string  $conductor  path in the cable
     * @param  string  $to  node
     * @param  string  $byHand  why it departs from the plans; "" where it does not
     */
    public function __construct(
        public string $run,
        public Side $side,
        public string $leg,
        public string $conductor,
        public string $to,
        public string $function,
        public string $channel,
        public string $circuit,
        public string $byHand = '',
    ) {
    }

    public function id(): string
    {
        return EdgeId::joint($this->run, $this->side, $this->conductor, $this->to);
    }

    public function from(): string
    {
        return Node::conductor($this->run, $this->side, $this->conductor);
    }

    public function address(): string
    {
        return Node::address($this->to);
    }
}
