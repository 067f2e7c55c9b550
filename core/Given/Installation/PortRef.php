<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** One port of one device, as matings name it. */
final readonly class PortRef
{
    private const BETWEEN = ':';

    public function __construct(public string $device, public string $port)
    {
    }

    /** A reference that names no port has none: "" for it. */
    public static function from(string $text): self
    {
        [$device, $port] = [...explode(self::BETWEEN, $text, 2), ''];

        return new self($device, $port);
    }

    public function text(): string
    {
        return $this->device.self::BETWEEN.$this->port;
    }
}
