<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Measure\Length;

/** A piece of the building that cables lie in. Runs share ways and never type their length. */
final readonly class Way
{
    /**
     * @param  string  $from  location or junction id; "" where nobody said: no run finds it by itself
     * @param  int  $bends  of 90° along it
     * @param  ?Length  $bendRadius  of those bends; null: not stated
     * @param  list<Environment>  $environment  nothing: dry
     * @param  FireClass  $fire  what local code asks of the cables in it
     * @param  bool  $measured  whether somebody measured its length in the building; else it is a drawing's, or a guess
     * @param  ?float  $fillLimit  per cent of its inside, where somebody set another than the usual
     */
    public function __construct(
        public string $id,
        public string $name,
        public WayKind $kind,
        public Length $length,
        public string $from = '',
        public string $to = '',
        public ?Bore $inner = null,
        public int $bends = 0,
        public ?Length $bendRadius = null,
        public array $environment = [],
        public Takes $takes = Takes::Both,
        public FireClass $fire = FireClass::Unrated,
        public ?float $fillLimit = null,
        public bool $measured = false,
    ) {
    }

    public function joins(): bool
    {
        return $this->from !== '' && $this->to !== '';
    }

    /** The other end of it; null where it does not touch that place. */
    public function across(string $from): ?string
    {
        return match ($from) {
            $this->from => $this->to,
            $this->to => $this->from,
            default => null,
        };
    }

    public function is(Environment $environment): bool
    {
        return in_array($environment, $this->environment, true);
    }

    /** What local code asks of a cable in it: its own class, and always the highest in air-handling space. */
    public function fireClass(): FireClass
    {
        return $this->is(Environment::AirHandling) ? FireClass::AirHandling : $this->fire;
    }
}
