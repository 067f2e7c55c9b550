<?php

declare(strict_types=1);

namespace Sartal\Core\Catalogue;

use Sartal\Core\Measure\Gauge;
use Sartal\Core\Measure\Length;

/** A cable that can be bought: its outside, and the tree of what is inside. */
final class CableType
{
    /** A conductor whose gauge is not stated is reckoned as this, on the safe side. */
    private const UNSTATED_GAUGE = 28;

    /** @var ?array<string, Conductor> */
    private ?array $conductors = null;

    /** @var array<string, list<Conductor>> asked for again and again by every run of the type */
    private array $within = [];

    /** @var ?array<string, Element> */
    private ?array $elements = null;

    /**
     * @param  string  $family  as the schedule groups it: "multicore", "video", …
     * @param  string  $prefix  that the codes of its runs begin with
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $family,
        public readonly string $prefix,
        public readonly Length $outerDiameter,
        public readonly string $sheath,
        public readonly Element $construction,
    ) {
    }

    /** @return array<string, Conductor> by path, in the order of the tree */
    public function conductors(): array
    {
        if ($this->conductors === null) {
            $this->walk();
        }

        return $this->conductors ?? [];
    }

    /** @return array<string, Element> every element by path; the root under the empty path */
    public function elements(): array
    {
        if ($this->elements === null) {
            $this->walk();
        }

        return $this->elements ?? [];
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
        return $this->within[$path] ??= array_values(array_filter(
            $this->conductors(),
            static fn (Conductor $conductor): bool => $path === '' || $conductor->path === $path || str_starts_with($conductor->path, $path.'/'),
        ));
    }

    private function walk(): void
    {
        $this->conductors = [];
        $this->elements = [];
        $this->visit($this->construction, '', '', null, HazardDomain::Signal);
    }

    private function visit(Element $element, string $path, string $parent, ?string $twist, HazardDomain $domain): void
    {
        $domain = $element->domain ?? $domain;
        $this->elements[$path] = $element;
        if ($element->kind->isConductor()) {
            $gauge = $element->gauge ?? Gauge::awg(self::UNSTATED_GAUGE);
            $this->conductors[$path] = new Conductor($path, $parent, $element, $gauge, $element->kind === ElementKind::Core ? $twist : null, $domain);
        }
        if ($element->kind->isTwisted()) {
            $twist = $path;
        }
        foreach ($element->children as $child) {
            $this->visit($child, $path === '' ? $child->key : $path.'/'.$child->key, $path, $twist, $domain);
        }
    }
}
