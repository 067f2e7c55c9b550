<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Tests\TestCase;

/** What comes some at a time, or opens one by one, is what comes whole. */
final class InPartsTest extends TestCase
{
    /** @return array<mixed> */
    private function read(string $path): array
    {
        return $this->as('lead')
            ->getJson('/api/'.$path)
            ->assertOk()
            ->json();
    }

    public function test_labels_that_come_some_at_a_time_are_all_that_were_chosen(): void
    {
        $all = $this->read('labels')['labels'];
        $this->postJson('/api/labels/printed', ['ids' => array_column(array_slice($all, 0, 40), 'id')])->assertOk();
        $all = $this->read('labels')['labels'];
        $parts = array_values(array_unique(array_column($all, 'part')));
        foreach (['', $parts[0], end($parts)] as $part) {
            foreach (['', 'L1'] as $loom) {
                foreach (['left', 'changed', 'all'] as $only) {
                    $wanted = array_values(
                        array_filter(
                            $all,
                            static fn (array $label): bool => ($part === '' || $label['part'] === $part) &&
                                ($loom === '' || $label['loom'] === $loom) &&
                                ($only === 'all' ||
                                    ($only === 'left' ? $label['state'] !== 'printed' : $label['state'] === 'changed')),
                        ),
                    );
                    $query = http_build_query(['part' => $part, 'loom' => $loom, 'only' => $only]);
                    $first = $this->read('labels/shown?'.$query);
                    $got = $first['labels'];
                    while (count($got) < $first['of']) {
                        $more = $this->read('labels/shown?'.$query.'&from='.count($got))['labels'];
                        self::assertNotSame([], $more);
                        array_push($got, ...$more);
                    }
                    self::assertSame($wanted, $got, $query);
                    self::assertSame(array_column($wanted, 'id'), $first['ids']);
                    self::assertSame(count($all), $first['counts']['all']);
                }
            }
        }
        $kinds = array_count_values(
            array_column(array_filter($all, static fn (array $label): bool => $label['state'] !== 'printed'), 'part'),
        );
        self::assertSame(array_search(max($kinds), $kinds, true), $this->read('labels/shown?usual=1')['part']);
    }

    public function test_circuits_come_the_least_margin_first_and_open_into_the_same_sums(): void
    {
        $whole = array_column($this->read('reach')['circuits'], null, 'id');
        $first = $this->read('reach?brief=1');
        self::assertSame(count($whole), $first['all']);
        $got = $first['circuits'];
        while (count($got) < $first['of']) {
            array_push($got, ...$this->read('reach?brief=1&from='.count($got))['circuits']);
        }
        self::assertEqualsCanonicalizing(array_keys($whole), array_column($got, 'id'));
        $margins = array_column(
            array_filter($got, static fn (array $each): bool => $each['verdict'] === 'reaches'),
            'margin',
        );
        $sorted = $margins;
        sort($sorted);
        self::assertSame($sorted, $margins);
        foreach ([$got[0], $got[intdiv(count($got), 2)], end($got)] as $circuit) {
            self::assertSame([], $circuit['used']['terms'] ?? []);
            self::assertSame($whole[$circuit['id']]['used']['text'] ?? null, $circuit['used']['text'] ?? null);
            self::assertEquals($whole[$circuit['id']], $this->read('reach/'.$circuit['id']));
        }
        $only = $this->read('reach?brief=1&only=1');
        self::assertNotContains('reaches', array_column($only['circuits'], 'verdict'));
        self::assertSame($only['of'], count($got) - count($margins));
        $this->getJson('/api/reach/nowhere')->assertNotFound();
    }

    public function test_a_long_sum_of_parts_is_left_out_and_opens_into_the_same(): void
    {
        foreach (['scope=installation', 'scope=installation&left=1', 'scope=loom:L1'] as $scope) {
            $whole = $this->read('parts?'.$scope)['lines'];
            $brief = $this->read('parts?brief=1&'.$scope)['lines'];
            $opened = 0;
            foreach ($brief as $i => $line) {
                if ($line['needed']['terms'] === []) {
                    $opened++;
                    $query = http_build_query(['sort' => $line['sort'], 'id' => $line['id']]);
                    $line['needed'] = $this->read('parts/needed?'.$scope.'&'.$query)['needed'];
                }
                self::assertEquals($whole[$i], $line, $scope);
            }
            self::assertGreaterThan(0, $opened, $scope);
        }
        $this->getJson('/api/parts/needed?sort=cable&id=none-such')->assertNotFound();
        $this->getJson('/api/parts/needed?sort=ribbon&id=none-such')->assertUnprocessable();
    }
}
