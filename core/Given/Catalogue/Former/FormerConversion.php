<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\TerminalReach;

/**
 * A catalogue whose connectors named recipes names procedures: the ones that made those ends since there are any; and
 * where a recipe was the house's own, that recipe as a procedure. Done again, it changes nothing.
 */
final class FormerConversion
{
    private readonly FormerMaking $former;

    /** @var array<int|string, MakingProcedure> */
    private array $procedures;

    private function __construct(private readonly Catalogue $own, private readonly Catalogue $shipped)
    {
        $this->former = $own->former;
        $this->procedures = array_map($this->procedure(...), $own->procedures());
    }

    /** Of a catalogue that never had a recipe, nothing is otherwise. */
    public static function of(Catalogue $own, Catalogue $shipped): Catalogue
    {
        return $own->former->isEmpty() ? $own : (new self($own, $shipped))->converted();
    }

    /** The same, with the types that ship and that it lacks. */
    public static function completed(Catalogue $own, Catalogue $shipped): Catalogue
    {
        return self::of($own, $shipped)->plus($shipped);
    }

    private function converted(): Catalogue
    {
        $connectors = array_map($this->connector(...), $this->own->connectors());
        $madeBy = $this->own->former->madeBy;
        foreach ($this->former->recipes as $id => $_) {
            $madeBy[$id] = $this->makers((string) $id);
        }
        foreach ($this->former->chosen as $recipe => $chosen) {
            foreach (array_keys($chosen) as $connector) {
                $made = $this->made((string) $recipe, (string) $connector, '');
                $madeBy[$recipe][] = new FormerProcedure($made, [(string) $connector]);
            }
        }

        return $this->own->naming($connectors, $this->procedures, $this->former->settled($madeBy));
    }

    private function connector(ConnectorType $type): ConnectorType
    {
        if ($type->cable->procedures !== [] || ! isset($this->former->named[$type->id])) {
            return $type;
        }
        $named = [];
        foreach ($this->former->named[$type->id] as $prepares => $recipe) {
            $named[$prepares] = $this->made($recipe, $type->id, (string) $prepares);
        }

        return $type->naming(array_filter($named, static fn (string $id): bool => $id !== ''));
    }

    /** @return string id of the procedure that makes a recipe's ends in a connector; "" where nothing does */
    private function made(string $recipe, string $connector, string $prepares): string
    {
        $makers = new FormerMaking(madeBy: [$recipe => $this->makers($recipe)]);
        $known = $makers->procedure($recipe, $connector);
        if ($known === '' && ! $this->isOwn($recipe)) {
            // A pinned procedure may have stood for fewer recipes than it does today.
            $known = $this->shipped->former->procedure($recipe, $connector);
        }
        if ($known !== '') {
            return $known;
        }
        $like = $this->like($recipe, $connector, $prepares);
        $written = $this->former->recipes[$recipe] ?? null;
        if ($like === null || $written === null) {
            return $like->id ?? '';
        }
        $id = RecipeAsProcedure::id($recipe, $like->id);
        $this->procedures[$id] ??= RecipeAsProcedure::of($written, $like);

        return $id;
    }

    /** @return list<FormerProcedure> its own, then those that ship, where the recipe is as it shipped */
    private function makers(string $recipe): array
    {
        $own = $this->former->madeBy[$recipe] ?? [];
        $named = [];
        foreach ($this->former->madeBy as $each) {
            $named += array_column($each, null, 'procedure');
        }

        return $this->isOwn($recipe) ? $own : [
            ...$own,
            ...array_values(array_filter(
                $this->shipped->former->madeBy[$recipe] ?? [],
                static fn (FormerProcedure $made): bool => ! isset($named[$made->procedure]),
            )),
        ];
    }

    /** Not as it shipped. */
    private function isOwn(string $recipe): bool
    {
        $written = $this->former->recipes[$recipe] ?? null;

        return $written !== null && ($this->shipped->former->marks[$recipe] ?? '') !== $written->print();
    }

    /** The procedure whose steps its ends go through. */
    private function like(string $recipe, string $connector, string $prepares): ?MakingProcedure
    {
        $all = $this->own->plus($this->shipped);
        $type = $this->shipped->connector($connector);
        $named = $type->cable->procedures ?? [];
        $id = $this->shipped->former->procedure($recipe, $connector) ?:
            ($named[$prepares] ?? array_values($named)[0] ?? '');

        return $all->procedure($id) ?? ($all->connector($connector) === null
            ? null
            : $all->standIn($all->theConnector($connector)));
    }

    /** One that stood for recipes: named by connectors now, with what those said of its terminals. */
    private function procedure(MakingProcedure $procedure): MakingProcedure
    {
        $recipes = [];
        foreach ($this->former->madeBy as $recipe => $makers) {
            foreach ($makers as $made) {
                array_push($recipes, ...$made->procedure === $procedure->id ? [(string) $recipe] : []);
            }
        }
        if ($recipes === []) {
            return $procedure;
        }
        $named = $procedure->insteadOf === [] ? $procedure->namedAlone() : $procedure;

        return $named->reaches === [] ? $named->reaching($this->reaches($recipes, $procedure->id)) : $named;
    }

    /**
     * @param  list<string>  $recipes
     * @return list<TerminalReach>
     */
    private function reaches(array $recipes, string $id): array
    {
        $shipped = $this->shipped->procedure($id);
        $isAsShipped = static fn (?Recipe $recipe, string $mark): bool => $recipe === null ||
            $recipe->print() === $mark;
        $same = array_filter($recipes, fn (string $recipe): bool => $isAsShipped(
            $this->former->recipes[$recipe] ?? null,
            $this->shipped->former->marks[$recipe] ?? '',
        ));
        if ($shipped !== null && $same === $recipes) {
            return $shipped->reaches;
        }
        $reaches = [];
        foreach ($recipes as $recipe) {
            $written = $this->former->recipes[$recipe] ?? null;
            $prepare = $this->preparing($recipe);
            array_push(
                $reaches,
                ...$written === null || $prepare === [] ? [] : RecipeAsProcedure::reachesOf($written, $prepare),
            );
        }

        return $reaches;
    }

    /** @return list<string> how cables prepare that a recipe was named for */
    private function preparing(string $recipe): array
    {
        $prepares = [];
        foreach ($this->former->named as $named) {
            foreach (array_keys($named, $recipe, true) as $each) {
                $prepares[$each] = (string) $each;
            }
        }

        return array_values($prepares);
    }
}
