<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** What a step acts on: it comes to as many pieces as the end has, in their order; to none where there is no such. */
final readonly class Selector
{
    /**
     * @param  list<PieceKind>  $kinds  any of these; empty: whatever it is
     * @param  ?Onto  $joins  of conductors, those alone that go to a terminal of this kind: the screen, the others
     */
    public function __construct(public array $kinds, public ?Onto $joins = null)
    {
    }
}
