<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\ScreenAndDrain;

/** Which conductors of an element serve which function of a signal. */
final class ConductorChoice
{
    /** @var array<int|string, list<Conductor>> */
    private array $chosen = [];

    /** @var array<int|string, list<Conductor>> */
    private array $left = [];

    private readonly ScreenAndDrain $screens;

    private readonly HotColour $hot;

    private function __construct(private readonly CableType $cable, HouseRules $rules)
    {
        $this->screens = $rules->on(ScreenAndDrain::class);
        $this->hot = $rules->on(HotColour::class);
    }

    public static function under(CableType $cable, HouseRules $rules): self
    {
        $key = $rules->on(ScreenAndDrain::class)->value.' '.$rules->on(HotColour::class)->value;

        // Runs of one type under like rules ask the same.
        return $cable->kept->once(self::class, $key, static fn (): self => new self($cable, $rules));
    }

    /**
     * The conductors that serve a function: none where the element has no
     * such conductor, several where like poles are paralleled (star-quad).
     *
     * @param  bool  $byColour  the house rule on colours decides which pole of a pair is which
     * @return list<Conductor>
     */
    public function for(string $element, SignalFunction $function, bool $byColour = false): array
    {
        return $this->chosen[
            $element."\0".$function->part."\0".$function->pole.($byColour ? "\0" : '')
        ] ??= $this->choose($element, $function, $byColour);
    }

    /** @return list<Conductor> */
    private function choose(string $element, SignalFunction $function, bool $byColour): array
    {
        if ($function->pole === SignalFunction::SCREEN) {
            return $this->screen($element, $function->part);
        }
        $poles = $this->poles($element, $function->part);
        if (
            $byColour &&
            count($poles) === 2 &&
            isset($poles['a'], $poles['b']) &&
            $this->hot->turns($poles['a'][0]->element->colour, $poles['b'][0]->element->colour)
        ) {
            $poles = ['a' => $poles['b'], 'b' => $poles['a']];
        }

        return $poles[$function->pole] ?? [];
    }

    /**
     * Bare conductors that the house rule leaves out because their neighbour serves.
     *
     * @return list<Conductor>
     */
    public function displaced(string $element): array
    {
        return $this->left[$element] ??= $this->displace($element);
    }

    /** @return list<Conductor> */
    private function displace(string $element): array
    {
        if ($this->screens === ScreenAndDrain::Together) {
            return [];
        }
        $displaced = [];
        foreach ($this->byParent($this->bare($element)) as $together) {
            $drains = $this->drains($together);
            if ($drains !== [] && count($drains) < count($together)) {
                array_push(
                    $displaced,
                    ...array_filter(
                        $together,
                        static fn (Conductor $bare): bool => $bare->element->kind !== ElementKind::Drain,
                    ),
                );
            }
        }

        return $displaced;
    }

    /** @return array<int|string, non-empty-list<Conductor>> by pole */
    private function poles(string $element, int $part): array
    {
        $parts = $this->parts($element);
        $path = $parts[$part - 1] ?? null;
        if ($path === null) {
            return [];
        }
        $cores = array_values(
            array_filter(
                $this->cable->conductorsWithin($element),
                static fn (Conductor $conductor): bool => ($conductor->parent === $path && ! $conductor->isBare()) ||
                    $conductor->path === $path,
            ),
        );
        $letter = 'a';
        $poles = [];
        foreach ($cores as $core) {
            $poles[$core->element->pole === '' ? $letter : $core->element->pole][] = $core;
            $letter++;
        }

        return $poles;
    }

    /** @return list<Conductor> */
    private function screen(string $element, int $part): array
    {
        // The element's own screen first; a single pair inside a plain jacket lends its own.
        $levels = $this->byParent($this->bare($element));
        $parts = $this->parts($element);
        $wanted = $part === 0 ? $element : $parts[$part - 1] ?? null;
        $together = $levels[$wanted ?? '?'] ?? ($part === 0 && count($parts) === 1 ? $levels[$parts[0]] ?? [] : []);
        $drains = $this->drains($together);

        return $this->screens === ScreenAndDrain::Together || $drains === [] ? $together : $drains;
    }

    /**
     * The parts of an element: itself where it holds cores, else what it holds that does.
     *
     * @return list<string>
     */
    private function parts(string $element): array
    {
        $holders = [];
        foreach ($this->cable->conductorsWithin($element) as $conductor) {
            if (! $conductor->isBare()) {
                $holders[$conductor->path === $element ? $element : $conductor->parent] = true;
            }
        }

        return array_map(strval(...), array_keys($holders));
    }

    /** @return list<Conductor> */
    private function bare(string $element): array
    {
        return array_values(
            array_filter(
                $this->cable->conductorsWithin($element),
                static fn (Conductor $conductor): bool => $conductor->isBare(),
            ),
        );
    }

    /**
     * @param  list<Conductor>  $conductors
     * @return array<int|string, list<Conductor>>
     */
    private function byParent(array $conductors): array
    {
        $levels = [];
        foreach ($conductors as $conductor) {
            $levels[$conductor->parent][] = $conductor;
        }

        return $levels;
    }

    /**
     * @param  list<Conductor>  $together
     * @return list<Conductor>
     */
    private function drains(array $together): array
    {
        return array_values(
            array_filter($together, static fn (Conductor $bare): bool => $bare->element->kind === ElementKind::Drain),
        );
    }
}
