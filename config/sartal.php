<?php

declare(strict_types=1);

return [
    // Bytes of photos that each installation may keep.
    'photos' => (int) env('SARTAL_PHOTOS_MB', 2048) * 1_000_000,
];
