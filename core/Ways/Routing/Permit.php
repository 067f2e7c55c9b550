<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;

/**
 * Which cables a way takes: separation of mains and signal, fire class,
 * outdoor rating, and unscreened signal kept from beside mains. Source: common
 * practice; what a place needs is for local code to say.
 */
final class Permit
{
    public static function refusal(Way $way, Cargo $cargo): ?Refusal
    {
        return match (true) {
            $way->takes === Takes::Signal && $cargo->mains => new Refusal(
                'separation',
                sprintf('%s is kept free of mains, and %s carries mains', $way->name, $cargo->cable),
                'Take it another way: mains and signal are kept apart as local code asks.',
            ),
            $way->takes === Takes::Mains && ! $cargo->mains => new Refusal(
                'separation',
                sprintf('%s is for mains alone, and %s carries signal', $way->name, $cargo->cable),
                'Take it another way: mains and signal are kept apart as local code asks.',
            ),
            ! $cargo->fire->meets($way->fireClass()) => new Refusal(
                'fire',
                sprintf(
                    '%s asks for fire class "%s", and %s is "%s"',
                    $way->name,
                    $way->fireClass()->value,
                    $cargo->cable,
                    $cargo->fire->value,
                ),
                'Choose a cable of that class. Local code decides which class a place needs.',
            ),
            $way->is(Environment::Outdoor) && ! $cargo->outdoor => new Refusal(
                'outdoor',
                sprintf('%s is outdoors, and %s is not made for it', $way->name, $cargo->cable),
                'Choose a cable for outdoors.',
            ),
            $way->is(Environment::NearMains) && ! $cargo->mains && ! $cargo->screened => new Refusal(
                'near-mains',
                sprintf('%s lies beside mains, and %s has no screen', $way->name, $cargo->cable),
                'Choose a screened cable, or another way.',
            ),
            default => null,
        };
    }
}
