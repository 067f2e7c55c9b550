<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;

/** What hands do to the legs of one end, whatever they have in mind: take elements out, put legs together, tidy. */
final class Hands
{
    /**
     * @param  list<string>  $elements
     * @return non-empty-list<string> each once
     *
     * @throws CannotJoin where one is not of the cable, or lies in another
     */
    public static function known(array $elements, CableType $cable): array
    {
        $elements = array_values(array_unique($elements));
        if ($elements === []) {
            throw CannotJoin::because('elements', '', 'Choose at least one element of the cable.');
        }
        foreach ($elements as $element) {
            if ($cable->element($element) === null) {
                throw CannotJoin::because(
                    'elements',
                    $element,
                    sprintf('%s has no element "%s". Choose one that it has.', $cable->name, $element),
                );
            }
            foreach ($elements as $other) {
                if ($other !== $element && ElementPath::isWithin($element, $other)) {
                    throw CannotJoin::because(
                        'elements',
                        $element,
                        sprintf('It is part of "%s", which is named as well. Name one of the two.', $other),
                    );
                }
            }
        }

        return $elements;
    }

    /**
     * An end with these elements in none of its legs. A leg that held more keeps the rest; one that is empty then goes.
     *
     * @param  list<string>  $elements
     */
    public static function takenOut(End $end, array $elements, Run $run, CableType $cable): End
    {
        $legs = [];
        foreach ($end->legs as $leg) {
            $rest = $leg->elements;
            foreach ($elements as $element) {
                $rest = self::without($rest, $element, $cable);
            }
            if ($rest === $leg->elements) {
                $legs[] = $leg;
            } elseif ($rest !== []) {
                $legs[] = $leg->holding($rest, self::trimmed($leg->landing, $rest, $run));
            }
        }

        return $end->withLegs($legs);
    }

    /**
     * @param  list<string>  $elements
     * @return list<string> the same copper but for one element
     */
    private static function without(array $elements, string $gone, CableType $cable): array
    {
        $rest = [];
        foreach ($elements as $element) {
            if (ElementPath::isWithin($element, $gone)) {
                continue;
            }
            // It holds what goes: what stays of it is named part by part.
            $parts = ElementPath::isWithin($gone, $element) ? self::parts($element, $cable) : [];
            array_push($rest, ...$parts === [] ? [$element] : self::without($parts, $gone, $cable));
        }

        return $rest;
    }

    /** @return list<string> what an element is made of, one level down */
    public static function parts(string $element, CableType $cable): array
    {
        $prefix = $element === '' ? '' : $element.'/';

        return array_map(
            static fn ($child): string => $prefix.$child->key,
            array_values(array_filter(
                $cable->element($element)->children ?? [],
                static fn ($child): bool => $cable->conductorsWithin($prefix.$child->key) !== [],
            )),
        );
    }

    /** @param  list<string>  $elements  that stay in it */
    private static function trimmed(?Landing $landing, array $elements, Run $run): ?Landing
    {
        if ($landing === null) {
            return null;
        }
        $channels = array_filter(
            $landing->channels,
            static fn (int|string $carrying): bool => ElementPath::meetsAny((string) $carrying, $elements),
            ARRAY_FILTER_USE_KEY,
        );

        return new Landing($landing->fitting, $landing->plan, $channels);
    }

    /**
     * Nothing said by hand about what is in these elements any more.
     *
     * @param  list<string>  $elements
     */
    public static function unsaid(End $end, array $elements): End
    {
        return $end->saying(
            array_values(array_filter(
                $end->handJoints,
                static fn (HandJoint $joint): bool => ! ElementPath::isWithinAny($joint->conductor, $elements),
            )),
            array_filter(
                $end->unused,
                static fn (int|string $path): bool => ! ElementPath::isWithinAny((string) $path, $elements),
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }

    /** The leg's id and label that nothing at this end has. */
    public static function freeLeg(End $end): string
    {
        $taken = [];
        foreach ($end->legs as $leg) {
            $taken[$leg->id] = $taken['label '.$leg->label] = true;
        }
        $n = count($end->legs) + 1;
        for ($try = 1; $try < $n; $try++) {
            if (! isset($taken['leg-'.$try]) && ! isset($taken['label '.$try])) {
                return (string) $try;
            }
        }
        while (isset($taken['leg-'.$n]) || isset($taken['label '.$n])) {
            $n++;
        }

        return (string) $n;
    }

    /** A single leg that holds all that carries something is the cable itself, as it is where nothing parts. */
    public static function whole(End $end, Run $run, CableType $cable): End
    {
        $only = $end->legs[0] ?? null;
        if (count($end->legs) !== 1 || $only === null || $only->elements === [''] || ! $only->length->isZero()) {
            return $end;
        }
        foreach ($run->carries as $carriage) {
            foreach ($cable->conductorsWithin($carriage->element) as $conductor) {
                if (! ElementPath::isWithinAny($conductor->path, $only->elements)) {
                    return $end;
                }
            }
        }

        return $end->withLegs([$only->holding([''], $only->landing)]);
    }
}
