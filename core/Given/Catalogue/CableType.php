<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Kept;
use Sartal\Core\Given\Measure\Length;

/** A cable that can be bought: its outside, and the tree of what is inside. */
final class CableType
{
    /** What has been worked out of it. */
    public readonly Kept $kept;

    /**
     * @param  string  $family  as the schedule groups it: "multicore", "video", …
     * @param  string  $prefix  that the codes of its runs begin with
     * @param  string  $jacket  what a ferrule has to know of its sheath: "standard", "thin", "outdoor"
     * @param  ?Length  $bendRadius  the least, once fixed; null: not stated
     * @param  float  $mass  g/m; 0: not stated
     * @param  string  $category  of four-pair cable: "5e", "6", "6A"; "" for others
     * @param  list<Length>  $reels  lengths that it is sold in
     * @param  ?float  $pull  N, the most that it is pulled with; null: not stated
     * @param  bool  $retired  kept for those who use it, offered to nobody
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $family,
        public readonly string $prefix,
        public readonly Length $outerDiameter,
        public readonly string $sheath,
        public readonly Element $construction,
        public readonly string $jacket = 'standard',
        public readonly FireClass $fire = FireClass::General,
        public readonly bool $outdoor = false,
        public readonly ?Length $bendRadius = null,
        public readonly float $mass = 0.0,
        public readonly bool $retired = false,
        public readonly string $category = '',
        public readonly array $reels = [],
        public readonly ?float $pull = null,
    ) {
        $this->kept = new Kept();
    }

    /** @return array<int|string, Conductor> by path, in the order of the tree */
    public function conductors(): array
    {
        return $this->anatomy()->conductors();
    }

    /** @return array<int|string, Element> every element by path; the root under the empty path */
    public function elements(): array
    {
        return $this->anatomy()->elements();
    }

    public function element(string $path): ?Element
    {
        return $this->elements()[$path] ?? null;
    }

    /**
     * The conductors of one element: itself, or those below it.
     *
     * @return list<Conductor>
     */
    public function conductorsWithin(string $path): array
    {
        return $this->anatomy()->within($path);
    }

    /** @return list<Conductor> */
    public function mainsDrains(): array
    {
        return array_values(array_filter(
            $this->conductors(),
            static fn (Conductor $conductor): bool => $conductor->isMainsDrain(),
        ));
    }

    /** Over an element where it leaves the sheath; null where the type does not say. */
    public function diameter(string $path): ?Length
    {
        return $path === '' ? $this->outerDiameter : $this->element($path)?->diameter;
    }

    /**
     * Ω of the line that an element is; null where it is none. A coax's
     * follows from its geometry, a pair's is the one that it is made to.
     */
    public function impedance(string $path): ?float
    {
        $element = $this->element($path);
        if ($element === null) {
            return null;
        }
        $lines = [];
        foreach ($element->kind === ElementKind::Group ? $element->children : [$element] as $child) {
            $lines[] = $this->coax($child)?->impedance() ?? $child->impedance;
        }
        $lines = array_values(
            array_unique(array_filter($lines, static fn (int|float|null $ohms): bool => $ohms !== null), SORT_REGULAR),
        );

        return count($lines) === 1 ? (float) $lines[0] : null;
    }

    /** The line that a coaxial element is, where its geometry is stated. */
    public function coax(Element $element): ?CoaxGeometry
    {
        foreach ($element->kind === ElementKind::Coax ? $element->children : [] as $core) {
            if (
                $core->kind === ElementKind::Core &&
                $core->permittivity !== null &&
                $core->diameter !== null &&
                $core->gauge !== null
            ) {
                return new CoaxGeometry(
                    Length::millimetres($core->gauge->diameter()),
                    $core->diameter,
                    $core->permittivity,
                );
            }
        }

        return null;
    }

    /** How an element is prepared: its own word, or the nearest above it. */
    public function prepares(string $path): string
    {
        while (true) {
            $own = $this->element($path)->prepares ?? '';
            if ($own !== '' || $path === '') {
                return $own;
            }
            $path = substr($path, 0, (int) strrpos($path, '/'));
        }
    }

    private function anatomy(): Anatomy
    {
        return $this->kept->once(Anatomy::class, '', fn (): Anatomy => new Anatomy($this->construction));
    }
}
