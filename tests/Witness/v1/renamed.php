<?php

declare(strict_types=1);

/*
 * Names that version 1 gave and that may be others now, and why: path of
 * where they stand → reason. Each becomes one name, the same everywhere.
 */
return [
    'answers/api/installation.json/body/record/*/by' => 'records call a person by a key; the sign-in name is for the '.
        'door',
    'answers/api/runs/*/body/history/*/by' => 'see record',
    'answers/api/runs/*/test*/body/makers/*' => 'see record',
];
