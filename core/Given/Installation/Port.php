<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A socket of a device: a connector that is already there. */
final readonly class Port
{
    /**
     * @param  string  $signal  signal type id; "" where anything goes
     * @param  bool  $phantom  feeds phantom power into what is plugged in
     * @param  bool  $terminates  ends a daisy chain with its own terminator
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $connector,
        public ?string $plan = null,
        public PortDirection $direction = PortDirection::Both,
        public string $signal = '',
        public Level $level = Level::None,
        public bool $phantom = false,
        public bool $terminates = false,
    ) {
    }
}
