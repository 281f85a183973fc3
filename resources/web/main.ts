import '@fontsource-variable/hanken-grotesk';
import { mount } from 'svelte';
import './tokens.css';
import App from './App.svelte';
import { followTheme } from './lib/theme';

followTheme();

mount(App, { target: document.getElementById('app')! });
