<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Catalogue\HazardDomain;

/** What a way asks about a cable before it lets it in. */
final readonly class Cargo
{
    public function __construct(
        public bool $mains,
        public bool $signal,
        public bool $screened,
        public bool $outdoor,
        public FireClass $fire,
        public string $cable,
    ) {
    }

    public static function from(CableType $cable): self
    {
        $conductors = array_filter(
            $cable->conductors(),
            static fn (Conductor $conductor): bool => ! $conductor->isBare(),
        );
        $mains = array_filter(
            $conductors,
            static fn (Conductor $conductor): bool => $conductor->domain === HazardDomain::Mains,
        );
        $screens = array_filter(
            $cable->elements(),
            static fn ($element): bool => in_array(
                $element->kind,
                [ElementKind::Screen, ElementKind::Drain, ElementKind::Foil],
                true,
            ),
        );

        return new self(
            $mains !== [],
            count($mains) < count($conductors),
            $screens !== [],
            $cable->outdoor,
            $cable->fire,
            $cable->name,
        );
    }

    /** Cables of one key are let into the same ways. */
    public function key(): string
    {
        return implode(' ', [
            (int) $this->mains,
            (int) $this->signal,
            (int) $this->screened,
            (int) $this->outdoor,
            $this->fire->value,
        ]);
    }
}
