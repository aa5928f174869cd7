import { expose } from 'comlink';
import { Database } from '../data/database';
import { BrowserLocks } from '../data/locks';
import { keepingJobs } from './keeping-jobs';

expose(keepingJobs(new Database(), new BrowserLocks()));
