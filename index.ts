// the shop's own figures first: what computes is made from them when it is loaded
import './src/store/figuresFirst';
import 'expo-router/entry';
