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
    'answers/api/runs/*/test*/body/cards' => 'what a method is called, what it answers in and how near is near comes with the answer',
    'answers/api/runs/*/test*/body/methods/*/*/what' => 'see asks',
    'answers/api/runs/*/test*/body/methods/*/*/asks' => 'what is asked of a pair, as it is said',
    'answers/api/runs/*/test*/body/methods/*/*/unit' => 'a reading’s unit comes with its question',
    'answers/api/runs/*/test*/body/methods/*/*/optional' => 'what a method is answered without is said with the question',
    'answers/api/session/body/installations/*/address' => 'what every address calls an installation comes with it',
    'answers/api/session/body/open/address' => 'see installations',
    'answers/api/labels.csv' => 'a printed code names its installation',
    'facts/files/labels.csv' => 'see labels.csv',
];
