<?php

declare(strict_types=1);

/*
 * A larger installation from one of the real-size files: php benchmarks/copies.php FILE TIMES ID >LARGER
 * Its building and types stay; its looms, runs with their connectors and circuits, and its record are there TIMES
 * times, each time under numbers of their own.
 */

ini_set('memory_limit', '4G');

[, $path, $times, $id] = $argv + [1 => '', 2 => '4', 3 => 'many'];
$all = json_decode((string) file_get_contents($path), true, 512, JSON_THROW_ON_ERROR);
$flags = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;
$name = $all['installation']['name'].', '.$times.' times';
$all['installation'] = ['id' => $id, 'name' => $name] + $all['installation'];
$runs = count($all['runs']);
$looms = count($all['looms']);
$lists = ['looms', 'circuits', 'fittings', 'runs', 'record'];

/** The same thing, of another copy. */
$of = static fn (string $json, int $copy): string => (string) preg_replace_callback_array([
    '~\b([rR])-(\d{5})\b~' => static fn (array $m): string => sprintf('%s-%05d', $m[1], (int) $m[2] + $copy * $runs),
    '~"L-(\d+)"~' => static fn (array $m): string => sprintf('"L-%d"', (int) $m[1] + $copy * $looms),
    '~"0{8}-0000-~' => static fn (array $m): string => sprintf('"00000000-%04x-', $copy),
], $json);
$before = '{';
foreach (array_keys($all) as $name) {
    echo $before, json_encode((string) $name, $flags), ':';
    $before = ",\n";
    if (! in_array($name, $lists, true)) {
        echo json_encode($all[$name], $flags);

        continue;
    }
    echo '[';
    $first = true;
    for ($copy = 0; $copy < (int) $times; $copy++) {
        foreach ($all[$name] as $each) {
            echo $first ? "\n" : ",\n", $of(json_encode($each, $flags), $copy);
            $first = false;
        }
    }
    echo ']';
    unset($all[$name]);
}
echo "}\n";
