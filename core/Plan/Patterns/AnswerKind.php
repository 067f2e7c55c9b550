<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

/** What is asked for, and so how it is entered. */
enum AnswerKind: string
{
    case Text = 'text';
    case Count = 'count';
    case Length = 'length';
    case Place = 'place';
    /** Places one after another, parted by "|". */
    case Places = 'places';
    case Cable = 'cable';
    case Signal = 'signal';
    case Plan = 'plan';
    /** Some of so many: "1-4, 7", "all" or "none". */
    case Some = 'some';
    /** One of a few. */
    case Choice = 'choice';
}
