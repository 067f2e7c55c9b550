<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** What there is to say of a method of testing, whatever it is put to. Its class says it. */
final readonly class MethodCard
{
    /**
     * @param  string  $name  short, where it is chosen; "" where it is part of another
     * @param  string  $words  what is done
     * @param  string  $limit  what is good
     * @param  float  $minutes  for an assembly, beyond the map: common practice
     * @param  string  $unit  what its readings are in; "" where they are no numbers
     * @param  bool  $lights  what it shows is which points light
     * @param  bool  $opens  an end has to be open for it
     * @param  list<string>  $answers  words that it can show, or show besides points and colours
     * @param  bool  $byHand  somebody can read it point by point
     * @param  string  $should  what is hoped for, where that is no figure
     * @param  string  $beyond  what it is called when nothing conducts
     * @param  bool  $unplugged  both ends have to be off equipment and power: a meter's own voltage harms what is
     *     plugged in, and what is plugged in falsifies the meter. Source: IEC 60364-6, insulation resistance (from
     *     memory)
     */
    public function __construct(
        public string $name,
        public string $words,
        public string $limit,
        public float $minutes,
        public Nearness $near,
        public string $unit = '',
        public bool $lights = false,
        public bool $opens = false,
        public array $answers = [],
        public bool $byHand = true,
        public string $should = '',
        public string $beyond = 'open',
        public bool $unplugged = false,
    ) {
    }
}
