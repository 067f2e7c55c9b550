<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/**
 * When something is done, in the order in which a run and then an end see it.
 * What is like and of one phase is done together, so that a tool is taken up
 * once. The order is that of the cases.
 */
enum Phase: int
{
    case Cut = 0;
    case Mark = 10;
    case LabelBeforePull = 20;
    case Pull = 30;
    case Trim = 505;
    case OnSheath = 520;
    case ThreadBefore = 530;
    case OnceForAll = 540;
    case OnLeg = 550;
    case Sheath = 590;
    case Discard = 600;
    case Bare = 610;
    case OnCores = 750;
    case Dress = 800;
    case Crimp = 900;
    case InPanel = 905;
    case Tin = 910;
    case Link = 990;
    case Join = 1000;
    case Tug = 1100;
    case Lace = 1150;
    case Inspect = 1200;
    case CoverJoints = 1300;
    case FitBeforeClosing = 1350;
    case Close = 1400;
    case SlideAfterClosing = 1450;
    case ShrinkTail = 1500;
    case ThreadAfter = 1550;
    case Label = 1600;
    case Test = 2000;

    /** Of the run as a whole, before either end is made. */
    public function isOfTheRun(): bool
    {
        return $this->value <= self::Pull->value;
    }

    /** Connectors do not sit on the cable yet. */
    public function isBeforeJoining(): bool
    {
        return $this->value < self::Join->value;
    }
}
