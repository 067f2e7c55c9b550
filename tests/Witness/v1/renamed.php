<?php

declare(strict_types=1);

/*
 * Names that version 1 gave and that may be others now, and why: path of
 * where they stand → reason. Each becomes one name, the same everywhere.
 */
return [
    'answers/api/bench/*/body/job/steps/*/pieces/*/id' => 'a step at the bench is named by its part or layer, no longer by its place in a list',
];
