<?php

declare(strict_types=1);

/*
 * What rightly differs from version 1, and why: path in the answer or the
 * facts (* for anything) → reason. Closed: what is not here is a defect.
 */
return [
    'answers/api/tests/progress/body/cursor' => 'where a page has read to: named after what was released, no longer after the number of its row',
    'file/progress/V-406' => 'withdrawn since the release that the shop works from; a file carries what is decided, and no release',
    'answers/api/runs/*/test*/body/fingerprint' => 'what a reading relies on is hashed by the second edition; the first one’s hash comes along as formerly',
    'answers/api/runs/*/test*/body/formerly' => 'see fingerprint',
];
