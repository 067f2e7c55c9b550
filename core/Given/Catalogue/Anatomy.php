<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Gauge;

/** What a cable is made of, taken apart: its elements and conductors by path, in the order of the tree. */
final class Anatomy
{
    /** A conductor whose gauge is not stated is reckoned as this, on the safe side. */
    private const UNSTATED_GAUGE = 28;

    /** @var array<int|string, Conductor> */
    private array $conductors = [];

    /** @var array<int|string, Element> the root under the empty path */
    private array $elements = [];

    /** @var array<int|string, list<Conductor>> asked for again and again by every run of the type */
    private array $within = [];

    public function __construct(Element $construction)
    {
        $this->visit($construction, '', '', null, HazardDomain::Signal);
    }

    /** @return array<int|string, Conductor> by path */
    public function conductors(): array
    {
        return $this->conductors;
    }

    /** @return array<int|string, Element> by path; the root under the empty path */
    public function elements(): array
    {
        return $this->elements;
    }

    /**
     * The conductors of one element: itself, or those below it.
     *
     * @return list<Conductor>
     */
    public function within(string $path): array
    {
        return $this->within[$path] ??= array_values(
            array_filter(
                $this->conductors,
                static fn (Conductor $conductor): bool => ElementPath::isWithin($conductor->path, $path),
            ),
        );
    }

    private function visit(Element $element, string $path, string $parent, ?string $twist, HazardDomain $domain): void
    {
        $domain = $element->domain ?? $domain;
        $this->elements[$path] = $element;
        if ($element->kind->isConductor()) {
            $gauge = $element->gauge ?? Gauge::awg(self::UNSTATED_GAUGE);
            $this->conductors[$path] = new Conductor(
                $path,
                $parent,
                $element,
                $gauge,
                $element->kind === ElementKind::Core ? $twist : null,
                $domain,
            );
        }
        if ($element->kind->isTwisted()) {
            $twist = $path;
        }
        foreach ($element->children as $child) {
            $this->visit($child, $path === '' ? $child->key : $path.'/'.$child->key, $path, $twist, $domain);
        }
    }
}
