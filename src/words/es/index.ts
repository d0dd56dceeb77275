import { below } from './below';
import adhesives from './adhesives';
import alcohol from './alcohol';
import bench from './bench';
import bond from './bond';
import check from './check';
import clean from './clean';
import codes from './codes';
import common from './common';
import cure from './cure';
import devices from './devices';
import deviceTest from './deviceTest';
import dryFit from './dryFit';
import functions from './functions';
import handover from './handover';
import happened from './happened';
import heat from './heat';
import heaters from './heaters';
import help from './help';
import intake from './intake';
import jobs from './jobs';
import kit from './kit';
import lift from './lift';
import log from './log';
import money from './money';
import practice from './practice';
import records from './records';
import shelf from './shelf';
import shop from './shop';
import stages from './stages';
import stock from './stock';
import strip from './strip';
import ui from './ui';
import voice from './voice';

/** All of it in Spanish, fetched as one. */
export const es = {
  words: {
    adhesives,
    alcohol,
    bench,
    bond,
    check,
    clean,
    codes,
    common,
    cure,
    deviceTest,
    devices,
    dryFit,
    functions,
    handover,
    happened,
    heat,
    heaters,
    help,
    intake,
    jobs,
    kit,
    lift,
    log,
    money,
    practice,
    records,
    shelf,
    shop,
    stages,
    stock,
    strip,
    ui,
    voice,
  },
  below,
};
