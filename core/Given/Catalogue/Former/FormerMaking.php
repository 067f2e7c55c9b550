<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/**
 * How ends were prepared before procedures: recipes, which connectors named them, and what makes their ends since. Only
 * catalogues from before have any; records from before are read by them, and nothing is made by them.
 */
final readonly class FormerMaking
{
    /**
     * @param  array<int|string, Recipe>  $recipes  by id
     * @param  array<int|string, array<int|string, string>>  $named  connector → how the cable prepares → recipe
     * @param  array<int|string, list<FormerProcedure>>  $madeBy  recipe → procedures, in the order of their catalogue
     * @param  array<int|string, string>  $marks  recipe → mark of it as it shipped
     * @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it
     * @param  bool  $isAlone  of what was released before there was any procedure
     */
    public function __construct(
        public array $recipes = [],
        public array $named = [],
        public array $madeBy = [],
        public array $marks = [],
        public array $chosen = [],
        public bool $isAlone = false,
    ) {
    }

    public function isEmpty(): bool
    {
        return $this->recipes === [] && $this->named === [] && $this->chosen === [];
    }

    /** The other's in the place of this one's of the same id, or after them. */
    public function replacing(self $other): self
    {
        return $other->plus($this);
    }

    /** This one's, then those of the other that it lacks. */
    public function plus(self $other): self
    {
        return new self(
            $this->recipes + $other->recipes,
            $this->named + $other->named,
            self::both($this->madeBy, $other->madeBy),
            $this->marks + $other->marks,
            $this->chosen + $other->chosen,
            $this->isAlone || $other->isAlone,
        );
    }

    /**
     * @param  array<int|string, list<FormerProcedure>>  $one
     * @param  array<int|string, list<FormerProcedure>>  $other
     * @return array<int|string, list<FormerProcedure>> each procedure once
     */
    private static function both(array $one, array $other): array
    {
        foreach ($other as $recipe => $makers) {
            $known = array_column($one[$recipe] ?? [], null, 'procedure');
            foreach ($makers as $made) {
                if (! isset($known[$made->procedure])) {
                    $one[$recipe][] = $made;
                }
            }
        }

        return $one;
    }

    /** @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it */
    public function choosing(array $chosen): self
    {
        return new self($this->recipes, $this->named, $this->madeBy, $this->marks, $chosen, $this->isAlone);
    }

    /**
     * Once it is known what makes the ends of each recipe.
     *
     * @param  array<int|string, list<FormerProcedure>>  $madeBy
     */
    public function settled(array $madeBy): self
    {
        return new self($this->recipes, $this->named, $madeBy, $this->marks, $this->chosen, $this->isAlone);
    }

    /** Of what was released before there was any procedure: it is reckoned as it was. */
    public function alone(): self
    {
        return new self($this->recipes, $this->named, $this->madeBy, $this->marks, $this->chosen, true);
    }

    /**
     * Procedures that its recipes became, where they were not as they shipped.
     *
     * @param  array<int|string, MakingProcedure>  $procedures
     * @param  array<int|string, string>  $marks  recipe → mark of it as it shipped
     * @return list<MakingProcedure>
     */
    public function ownAmong(array $procedures, array $marks): array
    {
        $own = [];
        foreach ($this->recipes as $id => $recipe) {
            foreach (($marks[$id] ?? '') === $recipe->print() ? [] : $procedures as $procedure) {
                if (str_starts_with($procedure->id, RecipeAsProcedure::id((string) $id, ''))) {
                    $own[] = $procedure;
                }
            }
        }

        return $own;
    }

    /** The recipe that prepared such a cable for a connector; null where none did. */
    public function recipe(string $connector, string $prepares, string $chosen = ''): ?Recipe
    {
        return $this->recipes[$chosen] ?? $this->recipes[$this->named[$connector][$prepares] ?? ''] ?? null;
    }

    /** The procedure that makes a recipe's ends in a connector: what names the connector, before all others. */
    public function procedure(string $recipe, string $connector): string
    {
        $found = null;
        foreach ($this->madeBy[$recipe] ?? [] as $made) {
            $found = $made->isIn($connector) && ($found === null || $made->connectors !== []) ? $made : $found;
        }

        return $found->procedure ?? '';
    }
}
