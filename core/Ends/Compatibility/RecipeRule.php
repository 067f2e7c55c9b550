<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/**
 * Without a recipe nobody has said how the end is prepared: what the connector does not take. Source: common practice.
 */
final class RecipeRule implements FitRule
{
    public function misfits(LegFit $fit): iterable
    {
        $type = $fit->connector;
        $prepares = $fit->cable->prepares($fit->elements[0] ?? '');
        if ($prepares !== '' && $type->cable->recipes !== [] && ! isset($type->cable->recipes[$prepares])) {
            yield Misfit::check(
                'fit.no-recipe',
                sprintf('%s is not prepared for %s by any recipe.', $fit->name(), $type->name),
                'Choose a connector that is made for such a cable, or add a recipe to the connector.',
            );
        }
    }
}
